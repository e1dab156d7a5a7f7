<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Node;

/** A list of objects without a name, whose fields stand in arrays by name. Edits put it whole. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class ListOf extends Field
{
    private readonly Shape $each;

    /** @param non-empty-array<string, Field> $fields */
    public function __construct(array $fields)
    {
        parent::__construct();
        $this->each = new Shape($fields);
    }

    /** @return list<array<string, mixed>> */
    public function read(Node $node, string $field): array
    {
        return array_map($this->each->values(...), $node->nodes($field));
    }

    public function write(mixed $value): mixed
    {
        return is_array($value) ? array_map($this->each->write(...), array_values($value)) : [];
    }

    public function isPlain(): bool
    {
        return $this->each->isPlain();
    }

    public function say(Said $said): void
    {
        parent::say($said);
        $this->each->say($said);
    }

    public function mayBeUnset(): bool
    {
        return false;
    }

    public function schema(Form $form): array
    {
        return ['type' => 'array', 'items' => $this->each->schema($form)];
    }
}
