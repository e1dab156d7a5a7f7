<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Treatment;

/** Where calls go on, from outside and from inside. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Treats extends Field
{
    public function read(Node $node, string $field): ?Treatment
    {
        return Treatment::read($node, $field);
    }

    public function write(mixed $value): mixed
    {
        return $value instanceof Treatment ? $value->toValue() : null;
    }

    public function leads(): bool
    {
        return true;
    }

    public function sends(string $path, mixed $value): array
    {
        $to = $value instanceof Treatment ? $value->toValue() : [];
        if (is_string($to)) {
            return [$path => $to];
        }
        $sends = [];
        foreach ($to as $side => $each) {
            $sends += $each === null ? [] : ["{$path}/{$side}" => $each];
        }

        return $sends;
    }

    public function links(string $path, mixed $value): array
    {
        return $value instanceof Treatment ? $value->links($path) : [];
    }

    public function inside(string $step): ?Field
    {
        return in_array($step, ['outside', 'inside'], true) ? new LeadsTo() : null;
    }

    public function schema(Form $form): array
    {
        return ['$ref' => '#/$defs/treatment'];
    }
}
