<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Year;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Calls\AllCalls\Facts;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Hours\ZoneClock;

/**
 * The outcome map of one number drawn as one week: what callers get if the first leg offered answers, and if nobody
 * does.
 */
final readonly class WeekStrip
{
    private const WEEK_DAYS = 7;

    /**
     * @param  int  $from  its first second
     * @param  int  $until  its end, exclusive; weeks in which clocks change are an hour shorter or longer
     * @param  list<array{int, Facts}>  $pieces  from (an instant) and what holds from then on; neighbours differ in one
     *     of the tracks, or in who is met
     */
    private function __construct(public int $from, public int $until, public array $pieces)
    {
    }

    /**
     * @param  int  $day  its first date, days since 1970
     * @return ?self null for a number that is not in the book
     */
    public static function of(Book $book, string $number, int $day): ?self
    {
        $clock = ZoneClock::of($book->tenant->zone);
        $from = $clock->midnight($day);
        $until = $clock->midnight($day + self::WEEK_DAYS);
        $map = OutcomeMap::of($book, $from, $until - $from);
        $pieces = [];
        foreach ($map->periods->stretches as [$instant, $class]) {
            $facts = $map->facts[$class][$number] ?? null;
            if ($facts === null) {
                return null;
            }
            if ($pieces === [] || ! self::isLike($pieces[count($pieces) - 1][1], $facts)) {
                $pieces[] = [$instant, $facts];
            }
        }

        return new self($from, $until, $pieces);
    }

    /** The week of the main number that an instant lies in; null where none is named. */
    public static function ofMain(Book $book, int $now): ?self
    {
        $main = $book->tenant->mainNumber?->key;

        return $main === null ? null : self::of($book, $main, self::mondayOf($now, $book->tenant->zone));
    }

    private static function isLike(Facts $one, Facts $other): bool
    {
        return [$one->ifAnswered(), $one->ifNobodyAnswers(), $one->firstOffer, $one->passiveTarget] === [
            $other->ifAnswered(), $other->ifNobodyAnswers(), $other->firstOffer, $other->passiveTarget,
        ];
    }

    /**
     * @param  ?\Closure(string): string  $called  how what is met is named; unset: as the book refers to it
     * @return list<array{from: int, to: int, ifAnswered: string, ifNobodyAnswers: string, first: string,
     *     target: string}> minutes since the week's first, and what holds
     */
    public function toArray(?\Closure $called = null): array
    {
        $called ??= static fn (string $met): string => $met;
        $pieces = [];
        foreach ($this->pieces as $place => [$instant, $facts]) {
            $pieces[] = [
                'from' => intdiv($instant - $this->from, 60),
                'to' => intdiv(($this->pieces[$place + 1][0] ?? $this->until) - $this->from, 60),
                'ifAnswered' => $facts->ifAnswered(),
                'ifNobodyAnswers' => $facts->ifNobodyAnswers(),
                'first' => $called($facts->firstOffer),
                'target' => $called($facts->passiveTarget),
            ];
        }

        return $pieces;
    }

    /** The Monday of the week that an instant lies in, days since 1970. */
    public static function mondayOf(int $instant, string $zone): int
    {
        $day = ZoneClock::of($zone)->day($instant);

        return $day - LocalDate::weekday($day);
    }
}
