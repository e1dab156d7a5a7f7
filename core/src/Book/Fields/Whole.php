<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Node;

/** A whole number in a range. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Whole extends Field
{
    /** @param ?int $default unset: it may say nothing */
    public function __construct(
        public readonly int $least,
        public readonly int $most,
        public readonly ?int $default = null,
        ?string $name = null,
    ) {
        parent::__construct(false, $name);
    }

    public function read(Node $node, string $field): ?int
    {
        return $this->default === null && $node->isNullOrMissing($field)
            ? null
            : $node->whole($field, $this->default ?? $this->least, $this->least, $this->most);
    }

    public function mayBeUnset(): bool
    {
        return $this->default === null;
    }

    public function schema(Form $form): array
    {
        return ['type' => 'integer', 'minimum' => $this->least, 'maximum' => $this->most]
            + ($this->default === null ? [] : ['default' => $this->default]);
    }
}
