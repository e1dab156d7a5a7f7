<?php

declare(strict_types=1);

namespace Jaunty\Core\Change;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Tenant;

/**
 * What differs between two books, as the change set that makes the second of the first. Objects pair by kind and key.
 */
final class Diff
{
    public static function between(Book $before, Book $after): ChangeSet
    {
        return self::of($before, $after, $before->objects(), [$after->tenant, ...$after->objects()]);
    }

    /**
     * What differs in some objects, the others being the same in both.
     *
     * @param  list<Reference>  $only  each once
     */
    public static function in(Book $before, Book $after, array $only): ChangeSet
    {
        $places = array_flip(array_column([Kind::Tenant, ...Kind::listed()], 'value'));
        usort($only, static fn (Reference $a, Reference $b): int
            => ($places[$a->kind->value] ?? 0) <=> ($places[$b->kind->value] ?? 0));

        return self::of(
            $before,
            $after,
            array_values(array_filter(array_map($before->find(...), $only))),
            array_values(array_filter(array_map($after->find(...), $only))),
        );
    }

    /**
     * @param  list<BookObject>  $were
     * @param  list<BookObject>  $are
     */
    private static function of(Book $before, Book $after, array $were, array $are): ChangeSet
    {
        $operations = [];
        foreach ($were as $object) {
            if (! $object instanceof Tenant && $after->find(Reference::of($object)) === null) {
                $operations[] = Operation::delete($object);
            }
        }
        foreach ($are as $object) {
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

    /**
     * @return list<FieldDifference> in canonical form: defaults filled in, items by their key, the order of items as
     *     one value
     */
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
                    self::compare(
                        ltrim("{$path}/{$field}", '/'),
                        $before[$field] ?? null,
                        $after[$field] ?? null,
                        $differences,
                    );
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
        // Taken out from the end on, so that turned round each is put back behind one that is there again already.
        foreach (array_reverse(array_diff($keysBefore, $keysAfter)) as $key) {
            $differences[] = new FieldDifference("{$path}/{$key}", Items::find($before, $key), null, self::behind(
                $keysBefore,
                $key,
            ));
        }
        foreach (array_intersect($keysBefore, $keysAfter) as $key) {
            self::compare("{$path}/{$key}", Items::find($before, $key), Items::find($after, $key), $differences);
        }
        $order = array_values(array_intersect($keysBefore, $keysAfter));
        foreach (array_diff($keysAfter, $keysBefore) as $key) {
            $behind = self::behind($keysAfter, $key);
            $differences[] = new FieldDifference("{$path}/{$key}", null, Items::find($after, $key), $behind);
            array_splice($order, $behind === '' ? 0 : (int) array_search($behind, $order, true) + 1, 0, [$key]);
        }
        if ($order !== $keysAfter) {
            $differences[] = new FieldDifference("{$path}/" . FieldPath::ORDER, $order, $keysAfter);
        }
    }

    /** @param list<string> $keys */
    private static function behind(array $keys, string $key): string
    {
        return $keys[(int) array_search($key, $keys, true) - 1] ?? '';
    }
}
