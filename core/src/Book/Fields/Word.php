<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\UnusableBook;

/** One of a few words. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Word extends Field
{
    /** @param non-empty-list<string> $words */
    public function __construct(public readonly array $words)
    {
        parent::__construct();
    }

    public function read(Node $node, string $field): ?string
    {
        $said = $node->textOrNull($field);

        return $said === null || in_array($said, $this->words, true)
            ? $said
            : throw UnusableBook::notOneOf($node->at($field), $said, $this->words);
    }

    public function schema(Form $form): array
    {
        return ['enum' => $this->words, 'x-words' => Schema::spelled($this->words)];
    }
}
