<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Node;
use Jaunty\Core\Numbering\DigitMap;

/** A digit map (RFC 3435 section 2.1.5), which a book has to say; words may stand in its place. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Digits extends Field
{
    /** @param list<string> $words */
    public function __construct(public readonly array $words = [])
    {
        parent::__construct(true);
    }

    public function read(Node $node, string $field): string
    {
        $text = $node->text($field);
        if (! in_array($text, $this->words, true)) {
            DigitMap::parse($text, $node->at($field));
        }

        return $text;
    }

    public function begins(): string
    {
        return $this->words[0] ?? 'x.';
    }

    public function schema(Form $form): array
    {
        return $this->words === []
            ? ['type' => 'string', 'description' => 'a digit map, RFC 3435 section 2.1.5']
            : ['$ref' => '#/$defs/text'];
    }
}
