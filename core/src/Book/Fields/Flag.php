<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Node;

#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Flag extends Field
{
    /** @param ?bool $default unset: it may say nothing, which is not the same as false */
    public function __construct(public readonly ?bool $default, ?string $name = null)
    {
        parent::__construct(false, $name);
    }

    public function read(Node $node, string $field): ?bool
    {
        return $this->default === null && $node->isNullOrMissing($field)
            ? null
            : $node->flag($field, $this->default ?? false);
    }

    public function mayBeUnset(): bool
    {
        return $this->default === null;
    }

    public function schema(Form $form): array
    {
        return ['type' => 'boolean'] + ($this->default === null ? [] : ['default' => $this->default]);
    }
}
