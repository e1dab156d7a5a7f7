<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Change\FieldPath;
use Jaunty\Core\Change\Operation;

/** A change set that takes a finding away, named for its button. */
final readonly class Fix
{
    /** @param string $label says what is done, as an order: `Set limit to 50 s` */
    private function __construct(public string $label, public ChangeSet $changes)
    {
    }

    public static function of(string $label, Operation ...$operations): self
    {
        return new self($label, ChangeSet::of(...$operations));
    }

    /** One field, with a value as the canonical form writes it. */
    public static function set(string $label, BookObject $object, string $path, mixed $value): self
    {
        return self::of($label, self::setting($object, $path, $value));
    }

    public static function setting(BookObject $object, string $path, mixed $value): Operation
    {
        return Operation::set(Reference::of($object), $path, FieldPath::get($object->toArray(), $path), $value);
    }

    /** The list without some of its items. */
    public static function leavingOut(BookObject $object, string $list, string ...$items): Operation
    {
        $all = FieldPath::get($object->toArray(), $list);

        return self::setting($object, $list, array_values(array_filter(
            is_array($all) ? $all : [],
            static fn (mixed $each): bool => ! is_array($each) || ! in_array($each['item'] ?? null, $items, true),
        )));
    }

    public function applyTo(Book $book): Book
    {
        return $this->changes->applyTo($book);
    }
}
