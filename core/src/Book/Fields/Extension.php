<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Node;

#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Extension extends Field
{
    public function read(Node $node, string $field): ?string
    {
        return $node->extension();
    }

    public function schema(Form $form): array
    {
        return ['$ref' => '#/$defs/extension'];
    }
}
