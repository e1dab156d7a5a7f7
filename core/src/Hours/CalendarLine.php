<?php

declare(strict_types=1);

namespace Jaunty\Core\Hours;

use Jaunty\Core\Book\Calendar;
use Jaunty\Core\Book\ClockTime;
use Jaunty\Core\Book\Holiday;
use Jaunty\Core\Book\HolidayRule;

/**
 * A calendar of holidays as one reads it: what each goes by in words, and the next dates it gives, days in lieu
 * included.
 */
final class CalendarLine
{
    private const MONTHS = [
        'January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November',
        'December',
    ];

    private const NTH = [1 => 'first', 2 => 'second', 3 => 'third', 4 => 'fourth', 5 => 'fifth'];

    private const WEEKDAYS = [
        'mon' => 'Monday', 'tue' => 'Tuesday', 'wed' => 'Wednesday', 'thu' => 'Thursday', 'fri' => 'Friday',
        'sat' => 'Saturday', 'sun' => 'Sunday',
    ];

    /**
     * @param  int  $from  days since 1970
     * @param  int  $years  looked ahead
     * @return list<array{item: string, goesBy: string, next: list<string>}> in the order of the calendar
     */
    public static function of(Calendar $calendar, int $from, int $years = 2): array
    {
        $year = LocalDate::parts($from)[0];
        $next = [];
        foreach (CalendarDates::of($calendar, $year, $year + $years)->all() as $day => $item) {
            if ($day >= $from) {
                $next[$item][] = LocalDate::text($day);
            }
        }

        return array_map(static fn (Holiday $holiday): array => [
            'item' => $holiday->item,
            'goesBy' => $holiday->rule === null ? 'one day' : self::rule($holiday->rule),
            'next' => array_slice($next[$holiday->item] ?? [], 0, $years),
        ], $calendar->holidays);
    }

    private static function rule(HolidayRule $rule): string
    {
        if ($rule->easter !== null) {
            return match (true) {
                $rule->easter === 0 => 'Easter Sunday',
                abs($rule->easter) === 1 => 'the day ' . ($rule->easter < 0 ? 'before' : 'after') . ' Easter Sunday',
                default => abs($rule->easter) . ' days ' . ($rule->easter < 0 ? 'before' : 'after') . ' Easter Sunday',
            };
        }
        $month = self::MONTHS[$rule->month - 1];

        return $rule->weekday === null
            ? "{$rule->day} {$month}"
            : ($rule->nth === null ? 'last' : self::NTH[$rule->nth])
            . ' '
            . self::WEEKDAYS[ClockTime::DAYS[$rule->weekday]]
            . " of {$month}";
    }
}
