<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\BookItem;
use Jaunty\Core\Book\Node;

/** A list of objects that have a class of their own and an `item` that names each. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Items extends Field implements HasItems
{
    /** @param class-string<BookItem> $class */
    public function __construct(public readonly string $class)
    {
        parent::__construct();
    }

    /** @return list<BookItem> */
    public function read(Node $node, string $field): array
    {
        return $node->items($field, fn (Node $item): BookItem => ($this->class)::read($item));
    }

    public function write(mixed $value): mixed
    {
        $written = [];
        foreach (is_array($value) ? $value : [] as $item) {
            if ($item instanceof BookItem) {
                $written[] = $item->toArray();
            }
        }

        return $written;
    }

    public function leads(): bool
    {
        return array_filter(($this->class)::fields(), static fn (Field $field): bool => $field->leads()) !== [];
    }

    public function sends(string $path, mixed $value): array
    {
        $sends = [];
        foreach (is_array($value) ? $value : [] as $item) {
            $sends += $item instanceof BookItem
                ? Fields::of($this->class)->sends($item, "{$path}/{$item->item()}/")
                : [];
        }

        return $sends;
    }

    public function links(string $path, mixed $value): array
    {
        $links = [];
        foreach (is_array($value) ? $value : [] as $item) {
            foreach ($item instanceof BookItem ? $item->links("{$path}/{$item->item()}") : [] as $link) {
                $links[] = $link;
            }
        }

        return $links;
    }

    public function mayBeUnset(): bool
    {
        return false;
    }

    public function inside(string $step): Field
    {
        return new Part($this->class);
    }

    public function itemFields(): array
    {
        return ($this->class)::fields();
    }

    public function schema(Form $form): array
    {
        return ['type' => 'array', 'items' => ['$ref' => Schema::placeOf($this->class)]];
    }
}
