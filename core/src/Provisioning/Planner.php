<?php

declare(strict_types=1);

namespace Jaunty\Core\Provisioning;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Link;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Change\Diff;

/**
 * Live plus book gives the run sheet. What is referred to is made before what refers to it; where references go round
 * in a circle, the object is created without the field that closes it and linked afterwards. Deletions come last, what
 * refers before what is referred to.
 */
final class Planner
{
    /** @param ?Book $live null where the switch does not know the customer yet */
    public static function plan(?Book $live, Book $book): RunSheet
    {
        $steps = [];
        $links = [];
        $standing = [];
        foreach ($live?->objects() ?? [] as $object) {
            $standing[(string) Reference::of($object)] = true;
        }
        $missing = self::bottomUp(
            $book,
            static fn (BookObject $object): bool => $live?->find(Reference::of($object)) === null,
        );
        if ($live === null) {
            array_unshift($missing, $book->tenant);
        }
        foreach ($missing as $object) {
            $early = self::fieldsThatMustWait($object, $standing);
            $fields = $object->toArray();
            $steps[] = new Step(StepKind::Create, Reference::of($object), array_diff_key($fields, $early));
            if ($early !== []) {
                $links[] = new Step(StepKind::Link, Reference::of($object), array_intersect_key($fields, $early));
            }
            $standing[(string) Reference::of($object)] = true;
        }

        return new RunSheet($live === null ? [...$steps, ...$links] : [
            ...$steps, ...$links, ...self::updates($live, $book), ...self::deletions($live, $book),
        ]);
    }

    /** @return list<Step> one an object, with only the fields that differ */
    private static function updates(Book $live, Book $book): array
    {
        $steps = [];
        foreach ([$book->tenant, ...$book->objects()] as $object) {
            $present = $live->find(Reference::of($object));
            if ($present === null) {
                continue;
            }
            $changed = [];
            foreach (Diff::fields($present, $object) as $difference) {
                $changed[explode('/', $difference->path)[0]] = true;
            }
            if ($changed !== []) {
                $steps[] = new Step(
                    StepKind::Update,
                    Reference::of($object),
                    array_intersect_key($object->toArray(), $changed),
                    array_intersect_key($present->toArray(), $changed),
                );
            }
        }

        return $steps;
    }

    /** @return list<Step> */
    private static function deletions(Book $live, Book $book): array
    {
        $doomed = array_reverse(
            self::bottomUp($live, static fn (BookObject $object): bool => $book->find(Reference::of($object)) === null),
        );
        $unlinks = [];
        $deletions = [];
        foreach ($doomed as $index => $object) {
            foreach (array_slice($doomed, $index + 1) as $later) {
                array_push($unlinks, ...self::unlink($later, Reference::of($object)));
            }
            $deletions[] = new Step(StepKind::Delete, Reference::of($object));
        }

        return [...$unlinks, ...$deletions];
    }

    /** @return list<Step> one that puts the fields that lead to the target back to their default, or none */
    private static function unlink(BookObject $object, Reference $target): array
    {
        $fields = [];
        foreach ($object->links() as $link) {
            if ($link->to->equals($target)) {
                $fields[self::topField($link)] = true;
            }
        }
        if ($fields === []) {
            return [];
        }
        $defaults = BookFormat::defaults($object);

        return [new Step(
            StepKind::Link,
            Reference::of($object),
            array_intersect_key($defaults, $fields),
            array_intersect_key($object->toArray(), $fields),
        )];
    }

    /**
     * @param  callable(BookObject): bool  $wanted
     * @return list<BookObject> those wanted, what is referred to before what refers to it as far as circles allow
     */
    private static function bottomUp(Book $book, callable $wanted): array
    {
        $seen = [];
        $order = [];
        $visit = static function (BookObject $object) use (&$visit, &$seen, &$order, $book, $wanted): void {
            $name = (string) Reference::of($object);
            if (isset($seen[$name]) || ! $wanted($object)) {
                return;
            }
            $seen[$name] = true;
            foreach ($object->links() as $link) {
                $target = $book->find($link->to);
                if ($target !== null && $target->kind() !== Kind::Tenant) {
                    $visit($target);
                }
            }
            $order[] = $object;
        };
        foreach ($book->objects() as $object) {
            $visit($object);
        }

        return $order;
    }

    /**
     * @param  array<string, true>  $standing
     * @return array<string, true> top-level fields that refer to something not there yet
     */
    private static function fieldsThatMustWait(BookObject $object, array $standing): array
    {
        $fields = [];
        foreach ($object->links() as $link) {
            if (! isset($standing[(string) $link->to])) {
                $fields[self::topField($link)] = true;
            }
        }

        return $fields;
    }

    private static function topField(Link $link): string
    {
        return explode('/', $link->path)[0];
    }
}
