<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Node;

#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Texts extends Field
{
    public function __construct(private readonly bool $mayBeUnset = false)
    {
        parent::__construct();
    }

    /** @return list<string> */
    public function read(Node $node, string $field): array
    {
        return $node->texts($field);
    }

    public function mayBeUnset(): bool
    {
        return $this->mayBeUnset;
    }

    public function schema(Form $form): array
    {
        return ['type' => 'array', 'items' => ['type' => 'string']];
    }
}
