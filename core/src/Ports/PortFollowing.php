<?php

declare(strict_types=1);

namespace Jaunty\Core\Ports;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\NumberStatus;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Change\Operation;

/** What the book says of numbers once the carrier said how far they are. */
final class PortFollowing
{
    /**
     * They came over: in service, and as the customer's other numbers come.
     *
     * @param  list<string>  $numbers  in E.164
     */
    public static function arrived(Book $book, array $numbers): ChangeSet
    {
        $operations = [];
        $others = array_filter(
            $book->all(Number::class),
            static fn (Number $number): bool => $number->status === NumberStatus::Active,
        );
        $trunk = self::shared(array_map(
            static fn (Number $number): ?string => $number->trunk === null ? null : (string) $number->trunk,
            $others,
        ));
        foreach ($numbers as $key) {
            $number = $book->find(Reference::to(Kind::Number, $key));
            if (! $number instanceof Number || $number->status !== NumberStatus::PortingIn) {
                continue;
            }
            $of = Reference::of($number);
            $operations[] = Operation::set($of, 'status', NumberStatus::PortingIn->value, NumberStatus::Active->value);
            if ($number->trunk === null && $trunk !== null) {
                $operations[] = Operation::set($of, 'trunk', null, $trunk);
            }
            if ($number->deliveredAs !== null) {
                // That was the old carrier's way; ours delivers as its trunk says.
                $operations[] = Operation::set($of, 'deliveredAs', $number->deliveredAs->value, null);
            }
        }

        return ChangeSet::of(...$operations);
    }

    /**
     * They go to another carrier on a day.
     *
     * @param  list<string>  $numbers  in E.164
     * @param  string  $day  a date
     */
    public static function leaving(Book $book, array $numbers, string $day): ChangeSet
    {
        $operations = [];
        foreach (self::serving($book, $numbers) as $number) {
            $of = Reference::of($number);
            if ($number->status !== NumberStatus::PortingOut) {
                $operations[] = Operation::set($of, 'status', $number->status->value, NumberStatus::PortingOut->value);
            }
            if ($number->until !== $day) {
                $operations[] = Operation::set($of, 'until', $number->until, $day);
            }
        }

        return ChangeSet::of(...$operations);
    }

    /**
     * They are another carrier's.
     *
     * @param  list<string>  $numbers  in E.164
     */
    public static function gone(Book $book, array $numbers): ChangeSet
    {
        return ChangeSet::of(...array_map(static fn (Number $number): Operation => Operation::set(
            Reference::of($number),
            'status',
            $number->status->value,
            NumberStatus::Cancelled->value,
        ), self::serving($book, $numbers)));
    }

    /**
     * @param  list<string>  $numbers
     * @return list<Number>
     */
    private static function serving(Book $book, array $numbers): array
    {
        return array_values(array_filter(
            array_map(static fn (string $key) => $book->find(Reference::to(Kind::Number, $key)), $numbers),
            static fn (mixed $found): bool => $found instanceof Number && $found->status->serves(),
        ));
    }

    /**
     * @param  array<?string>  $values
     * @return ?string what all of them have; null where they differ, or there are none
     */
    private static function shared(array $values): ?string
    {
        $different = array_unique($values);

        return count($different) === 1 ? array_values($different)[0] : null;
    }
}
