<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Node;

/** A telephone number in E.164. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Phone extends Field
{
    public function read(Node $node, string $field): ?string
    {
        return $this->must ? $node->phone($field) : $node->phoneOrNull($field);
    }

    public function schema(Form $form): array
    {
        return ['$ref' => '#/$defs/e164'];
    }
}
