<?php

declare(strict_types=1);

namespace Jaunty\Core\Hours;

use Jaunty\Core\Book\Calendar;
use Jaunty\Core\Book\Holiday;
use Jaunty\Core\Book\WhenWeekend;

/** The dates a holiday calendar owns, substitutes for weekends given out. */
final class CalendarDates
{
    private const SATURDAY = 5;

    /** @param array<int, string> $owners item by day */
    private function __construct(private readonly array $owners)
    {
    }

    /** @param int $lastYear inclusive */
    public static function of(Calendar $calendar, int $firstYear, int $lastYear): self
    {
        $given = [];
        $owners = [];
        // A year more to either side: a substitute may fall in the next year, and must not take a day that is owned
        // there.
        foreach ($calendar->holidays as $place => $holiday) {
            for ($year = $firstYear - 1; $year <= $lastYear + 1; $year++) {
                $day = self::day($holiday, $year);
                if ($day === null) {
                    continue;
                }
                $isWeekend = LocalDate::weekday($day) >= self::SATURDAY;
                if ($isWeekend && $holiday->whenWeekend !== WhenWeekend::Actual) {
                    $given[] = [$day, $place, $holiday->item];
                }
                if (! $isWeekend || $holiday->whenWeekend !== WhenWeekend::Substitute) {
                    $owners[$day] ??= $holiday->item;
                }
            }
        }
        sort($given);
        foreach ($given as [$day, , $item]) {
            do {
                $day++;
            } while (LocalDate::weekday($day) >= self::SATURDAY || isset($owners[$day]));
            $owners[$day] = $item;
        }

        return new self($owners);
    }

    /** @return array<int, string> item by day, ascending */
    public function all(): array
    {
        $owners = $this->owners;
        ksort($owners);

        return $owners;
    }

    /** The holiday's own date in a year; null where it has none. */
    public static function day(Holiday $holiday, int $year): ?int
    {
        if ($holiday->date !== null) {
            return (int) substr($holiday->date, 0, 4) === $year ? LocalDate::parse($holiday->date) : null;
        }
        $rule = $holiday->rule ?? throw new \LogicException('a holiday without date and rule');
        if ($rule->easter !== null) {
            return LocalDate::easter($year) + $rule->easter;
        }
        $length = LocalDate::daysInMonth($year, $rule->month);
        $first = LocalDate::of($year, $rule->month, 1);
        if ($rule->weekday === null) {
            return $rule->day <= $length ? $first + (int) $rule->day - 1 : null;
        }
        if ($rule->nth === null) {
            return $first + $length - 1 - (LocalDate::weekday($first + $length - 1) - $rule->weekday + 7) % 7;
        }
        $day = $first + ($rule->weekday - LocalDate::weekday($first) + 7) % 7 + ($rule->nth - 1) * 7;

        return $day < $first + $length ? $day : null;
    }
}
