<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Node;

/** A list of objects whose fields stand in arrays by name; the first is `item`. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class ItemsOf extends Field implements HasItems
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
        return $node->items($field, $this->each->values(...));
    }

    public function write(mixed $value): mixed
    {
        return is_array($value) ? array_map($this->each->write(...), array_values($value)) : [];
    }

    public function leads(): bool
    {
        return $this->each->leads();
    }

    public function sends(string $path, mixed $value): array
    {
        $sends = [];
        foreach (is_array($value) ? $value : [] as $item) {
            if (is_array($item) && is_string($item['item'])) {
                $sends += $this->each->sends("{$path}/{$item['item']}", $item);
            }
        }

        return $sends;
    }

    public function links(string $path, mixed $value): array
    {
        $links = [];
        foreach (is_array($value) ? $value : [] as $item) {
            if (is_array($item) && is_string($item['item'])) {
                array_push($links, ...$this->each->links("{$path}/{$item['item']}", $item));
            }
        }

        return $links;
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

    public function inside(string $step): Field
    {
        return $this->each;
    }

    public function itemFields(): array
    {
        return $this->each->fields;
    }

    public function schema(Form $form): array
    {
        return ['type' => 'array', 'items' => $this->each->schema($form)];
    }
}
