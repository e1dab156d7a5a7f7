<?php

declare(strict_types=1);

namespace Jaunty\Core\Ics;

use Jaunty\Core\Book\Calendar;
use Jaunty\Core\Book\ClockTime;
use Jaunty\Core\Book\Holiday;
use Jaunty\Core\Book\RecurrenceRule;
use Jaunty\Core\Book\WhenWeekend;
use Jaunty\Core\Hours\CalendarDates;
use Jaunty\Core\Hours\LocalDate;

/**
 * A holiday calendar as whole-day events. What a rule of RFC 5545 can say is one; Easter and days in lieu are written
 * out date by date.
 */
final readonly class HolidayEvents
{
    /** A fifth weekday of February comes every 28 years, or after 40 where a century leaves its leap day out. */
    private const RAREST = 41;

    /**
     * @param  int  $lastYear  inclusive
     * @return array<string, array<string, IcsEvent>> by holiday, then uid
     */
    public static function of(Calendar $calendar, int $firstYear, int $lastYear): array
    {
        $dates = [];
        foreach (CalendarDates::of($calendar, $firstYear, $lastYear)->all() as $day => $item) {
            [$year] = LocalDate::parts($day);
            if ($year >= $firstYear && $year <= $lastYear) {
                $dates[$item][] = $day;
            }
        }
        $events = [];
        foreach ($calendar->holidays as $holiday) {
            $days = $dates[$holiday->item] ?? [];
            $uid = "holidays/{$holiday->item}@{$calendar->key}.jaunty-roster";
            $rule = self::rule($holiday, $firstYear);
            if ($rule !== null) {
                $events[$holiday->item] = [$uid => self::event($uid, $holiday, $rule[0], $rule[1], [])];
            } else {
                $events[$holiday->item] = $days === []
                    ? []
                    : [$uid => self::event($uid, $holiday, $days[0], null, array_slice($days, 1))];
            }
        }

        return $events;
    }

    /** @param list<int> $more */
    private static function event(string $uid, Holiday $holiday, int $day, ?string $rule, array $more): IcsEvent
    {
        return new IcsEvent($uid, $holiday->name, $day * LocalDate::MINUTES, LocalDate::MINUTES, true, $rule, $more, [
            ScheduleEvents::HOLIDAY,
        ]);
    }

    /** @return ?array{int, string} the first date from a year on, and the rule; null where no rule says it */
    private static function rule(Holiday $holiday, int $firstYear): ?array
    {
        $rule = $holiday->rule;
        if ($rule === null || $rule->easter !== null || $holiday->whenWeekend !== WhenWeekend::Actual) {
            return null;
        }
        $day = null;
        for ($year = $firstYear; $day === null && $year < $firstYear + self::RAREST; $year++) {
            $day = CalendarDates::day($holiday, $year);
        }
        if ($day === null) {
            return null;
        }
        $which = $rule->weekday === null
            ? "BYMONTHDAY={$rule->day}"
            : 'BYDAY=' . ($rule->nth ?? -1) . RecurrenceRule::WEEKDAYS[$rule->weekday];

        return [$day, "FREQ=YEARLY;BYMONTH={$rule->month};{$which}"];
    }

    /**
     * @return ?array<string, mixed> the rule of a book that a yearly one of RFC 5545 says; null for one no book can
     *     hold
     */
    public static function yearly(IcsEvent $event): ?array
    {
        $parts = array_diff_key($event->ruleParts(), ['WKST' => '']);
        if (
            ($parts['FREQ'] ?? '') !== 'YEARLY'
            || ($parts['INTERVAL'] ?? '1') !== '1'
            || array_diff(array_keys($parts), ['FREQ', 'INTERVAL', 'BYMONTH', 'BYMONTHDAY', 'BYDAY']) !== []
        ) {
            return null;
        }
        [, $month, $day] = LocalDate::parts($event->firstDay());
        $month = (int) ($parts['BYMONTH'] ?? $month);
        if (! isset($parts['BYDAY'])) {
            return ['fixed' => sprintf('%02d-%02d', $month, (int) ($parts['BYMONTHDAY'] ?? $day))];
        }
        if (
            isset($parts['BYMONTHDAY'])
            || preg_match('/^([1-5]|-1)(MO|TU|WE|TH|FR|SA|SU)$/D', $parts['BYDAY'], $found) !== 1
        ) {
            return null;
        }
        $weekday = ClockTime::DAYS[(int) array_search($found[2], RecurrenceRule::WEEKDAYS, true)];

        return ($found[1] === '-1' ? ['last' => true] : ['nth' => (int) $found[1]])
            + ['weekday' => $weekday, 'month' => $month];
    }
}
