<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Node;

/** A number in a range, not always whole. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Decimal extends Field
{
    public function __construct(
        public readonly int $least,
        public readonly int $most,
        public readonly ?int $default = null,
    ) {
        parent::__construct();
    }

    public function read(Node $node, string $field): int|float|null
    {
        return $this->default === null && $node->isNullOrMissing($field)
            ? null
            : $node->number($field, $this->default ?? $this->least, $this->least, $this->most);
    }

    public function mayBeUnset(): bool
    {
        return $this->default === null;
    }

    public function schema(Form $form): array
    {
        return ['type' => 'number', 'minimum' => $this->least, 'maximum' => $this->most];
    }
}
