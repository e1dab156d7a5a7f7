<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Calendar;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\NumberStatus;
use Jaunty\Core\Hours\LocalDate;

/**
 * What is due for a customer by itself, whatever anybody does: ports, lent numbers that end, calendars that run out.
 */
final readonly class Agenda
{
    /** What is due later than this is no news yet. */
    private const HORIZON_DAYS = 180;

    /** @param string $day `2026-12-14` */
    private function __construct(public string $day, public string $words)
    {
    }

    /**
     * @param  string  $today  at the customer's
     * @return ?self what comes first
     */
    public static function next(Book $book, string $today): ?self
    {
        $due = [];
        $horizon = LocalDate::text(LocalDate::parse($today) + self::HORIZON_DAYS);
        foreach ($book->all(Number::class) as $number) {
            if ($number->status === NumberStatus::PortingIn && $number->from !== null && $number->from >= $today) {
                $due[$number->from]['port'] = ($due[$number->from]['port'] ?? 0) + 1;
            } elseif ($number->until !== null && $number->until >= $today) {
                $due[$number->until]['end'] = ($due[$number->until]['end'] ?? 0) + 1;
            }
        }
        foreach ($book->all(Calendar::class) as $calendar) {
            $last = $calendar->lastKnown();
            if ($last !== null && $last >= $today) {
                $due[$last]['calendar'] = 1;
            }
        }
        $due = array_filter($due, static fn (string $day): bool => $day <= $horizon, ARRAY_FILTER_USE_KEY);
        if ($due === []) {
            return null;
        }
        $day = min(array_keys($due));
        $many = static fn (int $count, string $what): string => $count === 1
            ? "1 number {$what}s"
            : "{$count} numbers {$what}";

        return new self($day, match (true) {
            isset($due[$day]['port']) => $many($due[$day]['port'], 'port'),
            isset($due[$day]['end']) => $many($due[$day]['end'], 'end'),
            default => 'holidays run out',
        });
    }
}
