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
        return array_map(static fn (BookItem $item): array => $item->toArray(), self::each($value));
    }

    public function links(string $path, mixed $value): array
    {
        $links = [];
        foreach (self::each($value) as $item) {
            array_push($links, ...$item->links("{$path}/{$item->item()}"));
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

    /** @return list<BookItem> */
    private static function each(mixed $value): array
    {
        return is_array($value) ? array_values(array_filter($value, static fn (mixed $each): bool => $each instanceof BookItem)) : [];
    }
}
