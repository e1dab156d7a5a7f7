<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Node;

/** A key of an object or an item of a list, kept for ever. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Slug extends Field
{
    public function __construct()
    {
        parent::__construct(true);
    }

    public function read(Node $node, string $field): string
    {
        return $node->slug($field);
    }

    public function schema(Form $form): array
    {
        return ['$ref' => '#/$defs/slug'];
    }
}
