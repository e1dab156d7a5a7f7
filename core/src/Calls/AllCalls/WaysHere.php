<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\AllCalls;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;

/**
 * Which numbers lead to an object, and by way of what: as the book is written, whatever the hour and whoever answers.
 * What only names an object (whose number somebody shows, whom they report to) leads nobody there.
 */
final readonly class WaysHere
{
    /** Beginnings of paths that name an object that takes calls, and send none there. */
    private const NAMES_ONLY = [
        'callerId', 'replaces', 'reportsTo', 'watchers', 'owner', 'mainNumber', 'emergency', 'workplaces', 'contacts',
    ];

    /**
     * @return list<array{number: Number, by: string, through: list<BookObject>}> each number's shortest way, those that
     *     lead there at once first; `by` is the field of the number that begins it
     */
    public static function to(Book $book, Reference $object): array
    {
        $from = self::backwards($book);
        $next = [[(string) $object, []]];
        $seen = [(string) $object => true];
        $found = [];
        while ($next !== []) {
            [$here, $through] = array_shift($next);
            foreach ($from[$here] ?? [] as [$before, $path]) {
                $reference = (string) Reference::of($before);
                if ($before instanceof Number) {
                    $found[$reference] ??= ['number' => $before, 'by' => $path, 'through' => $through];
                } elseif (! isset($seen[$reference])) {
                    $seen[$reference] = true;
                    $next[] = [$reference, [$before, ...$through]];
                }
            }
        }

        return array_values($found);
    }

    /**
     * @return list<BookObject> to which a number or another object leads next, as its fields come
     */
    public static function from(Book $book, BookObject $object): array
    {
        $next = [];
        foreach ($object->links() as $link) {
            $to = self::leads($link->path, $link->to->kind) ? $book->find($link->to) : null;
            if ($to !== null) {
                $next[(string) $link->to] = $to;
            }
        }

        return array_values($next);
    }

    /**
     * People and others who nobody would reach from outside any more, were a number let go.
     *
     * @return list<BookObject> in the order of the book
     */
    public static function lostWithout(Book $book, Number $number): array
    {
        $with = self::reached($book, $book->all(Number::class));
        $without = self::reached($book, array_values(array_filter(
            $book->all(Number::class),
            static fn (Number $each): bool => $each->key !== $number->key,
        )));

        return array_values(array_diff_key($with, $without));
    }

    /**
     * @param  list<Number>  $numbers
     * @return array<string, BookObject> by reference
     */
    private static function reached(Book $book, array $numbers): array
    {
        $next = array_values(array_filter($numbers, static fn (Number $each): bool => $each->status->serves()));
        $reached = [];
        while ($next !== []) {
            foreach (self::from($book, array_pop($next)) as $object) {
                $reference = (string) Reference::of($object);
                if (! isset($reached[$reference])) {
                    $reached[$reference] = $object;
                    $next[] = $object;
                }
            }
        }

        return $reached;
    }

    /** @return array<string, list<array{BookObject, string}>> by what is led to: from where, and by which field */
    private static function backwards(Book $book): array
    {
        $from = [];
        foreach ($book->objects() as $object) {
            foreach ($object->links() as $link) {
                if (self::leads($link->path, $link->to->kind)) {
                    $from[(string) $link->to][] = [$object, $link->path];
                }
            }
        }

        return $from;
    }

    private static function leads(string $path, Kind $to): bool
    {
        return $to->takesCalls() && ! in_array(explode('/', $path)[0], self::NAMES_ONLY, true);
    }
}
