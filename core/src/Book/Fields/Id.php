<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Node;

/** Who an object is, whatever it is called. No configuration: the canonical form leaves it out. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Id extends Field
{
    public function read(Node $node, string $field): ?string
    {
        return $node->id();
    }

    public function schema(Form $form): array
    {
        return ['$ref' => '#/$defs/uuid'];
    }
}
