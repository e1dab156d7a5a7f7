<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\UnusableBook;

/** Some of a few words, in their own order. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class SomeOf extends Field
{
    /** @param non-empty-list<string> $words */
    public function __construct(public readonly array $words, private readonly bool $mayBeUnset = false)
    {
        parent::__construct();
    }

    /** @return list<string> */
    public function read(Node $node, string $field): array
    {
        $said = $node->texts($field);
        foreach ($said as $word) {
            if (! in_array($word, $this->words, true)) {
                throw UnusableBook::notOneOf($node->at($field), $word, $this->words);
            }
        }

        return array_values(array_intersect($this->words, $said));
    }

    public function mayBeUnset(): bool
    {
        return $this->mayBeUnset;
    }

    public function schema(Form $form): array
    {
        return ['type' => 'array', 'items' => ['enum' => $this->words, 'x-words' => Schema::spelled($this->words)]];
    }
}
