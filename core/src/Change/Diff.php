<?php

declare(strict_types=1);

namespace Jaunty\Core\Change;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Reference;

/** What differs between two books, as the change set that makes the second of the first. Objects pair by kind and key. */
final class Diff
{
    public static function between(Book $before, Book $after): ChangeSet
    {
        $operations = [];
        foreach ($before->objects() as $object) {
            if ($after->find(Reference::of($object)) === null) {
                $operations[] = Operation::delete($object);
            }
        }
        foreach ([$after->tenant, ...$after->objects()] as $object) {
            $reference = Reference::of($object);
            $old = $before->find($reference);
            if ($old === null) {
                $operations[] = Operation::create($object);

                continue;
            }
            foreach (self::fields($old, $object) as $difference) {
                $operations[] = Operation::fromDifference($reference, $difference);
            }
        }

        return ChangeSet::of(...$operations);
    }

    /** @return list<FieldDifference> in canonical form: defaults filled in, items by their key, the order of items as one value */
    public static function fields(BookObject $before, BookObject $after): array
    {
        $differences = [];
        self::compare('', $before->toArray(), $after->toArray(), $differences);

        return $differences;
    }

    /** @param list<FieldDifference> $differences */
    private static function compare(string $path, mixed $before, mixed $after, array &$differences): void
    {
        if (Value::same($before, $after)) {
            return;
        }
        if (is_array($before) && is_array($after)) {
            if (Items::areItems($before) || Items::areItems($after)) {
                self::compareItems($path, $before, $after, $differences);

                return;
            }
            if (! array_is_list($before) && ! array_is_list($after)) {
                foreach (array_keys($before + $after) as $field) {
                    self::compare(ltrim("{$path}/{$field}", '/'), $before[$field] ?? null, $after[$field] ?? null, $differences);
                }

                return;
            }
        }
        $differences[] = new FieldDifference($path, $before, $after);
    }

    /**
     * @param  array<mixed>  $before
     * @param  array<mixed>  $after
     * @param  list<FieldDifference>  $differences
     */
    private static function compareItems(string $path, array $before, array $after, array &$differences): void
    {
        $keysBefore = Items::keys($before);
        $keysAfter = Items::keys($after);
        foreach (array_values(array_unique([...$keysBefore, ...$keysAfter])) as $key) {
            $old = Items::find($before, $key);
            $new = Items::find($after, $key);
            if ($old === null || $new === null) {
                $differences[] = new FieldDifference("{$path}/{$key}", $old, $new);
            } else {
                self::compare("{$path}/{$key}", $old, $new, $differences);
            }
        }
        // Items taken out keep no place and new ones go last: the order differs only where that does not already give it.
        $implied = [...array_values(array_intersect($keysBefore, $keysAfter)), ...array_values(array_diff($keysAfter, $keysBefore))];
        if ($implied !== $keysAfter) {
            $differences[] = new FieldDifference("{$path}/" . FieldPath::ORDER, $keysBefore, $keysAfter);
        }
    }
}
