<?php

declare(strict_types=1);

namespace Jaunty\Core\Hours;

use Jaunty\Core\Book\RecurrenceRule;

/**
 * The dates a recurrence rule gives (RFC 5545 section 3.3.10): period by period, each expanded to its set of dates,
 * which BYSETPOS chooses from. A period without dates costs its own search and no more; the end of the horizon always
 * ends it.
 */
final readonly class Recurrence
{
    private function __construct(private RecurrenceRule $rule, private int $start)
    {
    }

    /** @param int $start DTSTART, in days; counts as the first date where the rule gives it */
    public static function of(RecurrenceRule $rule, int $start): self
    {
        return new self($rule, $start);
    }

    /** @return list<int> dates from the start on, up to and including $last, ascending */
    public function upTo(int $last): array
    {
        $until = $this->rule->until === null ? $last : min($last, LocalDate::parse($this->rule->until));
        $dates = [];
        for ($period = 0; ; $period++) {
            [$from, $set] = $this->expand($period);
            if ($from > $until) {
                return $dates;
            }
            foreach ($this->chosen($set) as $date) {
                if ($date < $this->start) {
                    continue;
                }
                if ($date > $until || ($this->rule->count !== null && count($dates) >= $this->rule->count)) {
                    return $dates;
                }
                $dates[] = $date;
            }
        }
    }

    /** @return array{int, list<int>} the period's first day, and its dates ascending */
    private function expand(int $period): array
    {
        $step = $period * $this->rule->interval;
        [$year, $month] = LocalDate::parts($this->start);
        switch ($this->rule->freq) {
            case 'YEARLY':
                return [LocalDate::of($year + $step, 1, 1) - 3, $this->ofYear($year + $step)];
            case 'MONTHLY':
                $months = $year * 12 + $month - 1 + $step;
                [$year, $month] = [intdiv($months, 12), $months % 12 + 1];

                return [LocalDate::of($year, $month, 1), $this->inMonth($year, $month)];
            case 'WEEKLY':
                $monday = $this->start - (LocalDate::weekday($this->start) - $this->rule->weekStart + 7) % 7
                    + $step * 7;

                return [$monday, $this->inWeek($monday)];
            case 'DAILY':
                $day = $this->start + $step;

                return [
                    $day,
                    $this->fitsMonth($day) && $this->fitsMonthDay($day) && $this->fitsDay($day) ? [$day] : [],
                ];
        }
    }

    /** @return list<int> */
    private function ofYear(int $year): array
    {
        $rule = $this->rule;
        $first = LocalDate::of($year, 1, 1);
        $length = LocalDate::isLeap($year) ? 366 : 365;
        [, $startMonth, $startDay] = LocalDate::parts($this->start);
        if ($rule->byWeekNo !== []) {
            return $this->inWeeks($year);
        }
        if ($rule->byYearDay !== []) {
            $dates = [];
            foreach ($rule->byYearDay as $day) {
                if (abs($day) <= $length) {
                    $dates[] = $day > 0 ? $first + $day - 1 : $first + $length + $day;
                }
            }

            return self::sorted(array_filter(
                $dates,
                fn (int $date): bool => $this->fitsMonth($date) && $this->fitsMonthDay($date) && $this->fitsDay($date),
            ));
        }
        if ($rule->byMonthDay !== [] || $rule->byMonth !== []) {
            $dates = [];
            foreach ($rule->byMonth === [] ? range(1, 12) : $rule->byMonth as $month) {
                array_push($dates, ...$this->inMonth($year, $month));
            }

            return self::sorted($dates);
        }
        if ($rule->byDay !== []) {
            return self::sorted($this->weekdaysWithin($first, $length));
        }

        return $startDay <= LocalDate::daysInMonth($year, $startMonth)
            ? [LocalDate::of($year, $startMonth, $startDay)]
            : [];
    }

    /** @return list<int> */
    private function inMonth(int $year, int $month): array
    {
        $rule = $this->rule;
        $first = LocalDate::of($year, $month, 1);
        $length = LocalDate::daysInMonth($year, $month);
        if ($rule->byMonth !== [] && ! in_array($month, $rule->byMonth, true)) {
            return [];
        }
        if ($rule->byMonthDay !== []) {
            $dates = [];
            foreach ($rule->byMonthDay as $day) {
                if (abs($day) <= $length) {
                    $dates[] = $day > 0 ? $first + $day - 1 : $first + $length + $day;
                }
            }
            $weekdays = $rule->byDay === [] ? null : $this->weekdaysWithin($first, $length);

            return self::sorted($weekdays === null ? $dates : array_intersect($dates, $weekdays));
        }
        if ($rule->byDay !== []) {
            return self::sorted($this->weekdaysWithin($first, $length));
        }
        $day = LocalDate::parts($this->start)[2];

        return $day <= $length ? [$first + $day - 1] : [];
    }

    /** @return list<int> */
    private function inWeek(int $monday): array
    {
        $days = $this->rule->byDay === [] ? [LocalDate::weekday($this->start)] : array_column($this->rule->byDay, 1);
        $dates = array_map(fn (int $day): int => $monday + ($day - $this->rule->weekStart + 7) % 7, $days);

        return self::sorted(array_filter($dates, fn (int $date): bool => $this->fitsMonth($date)));
    }

    /**
     * Weeks of the year, the first being that with at least four days in it.
     *
     * @return list<int>
     */
    private function inWeeks(int $year): array
    {
        $begin = static function (int $of, int $weekStart): int {
            $first = LocalDate::of($of, 1, 1);
            $into = (LocalDate::weekday($first) - $weekStart + 7) % 7;

            return $into <= 3 ? $first - $into : $first + 7 - $into;
        };
        $from = $begin($year, $this->rule->weekStart);
        $weeks = intdiv($begin($year + 1, $this->rule->weekStart) - $from, 7);
        $days = $this->rule->byDay === [] ? [LocalDate::weekday($this->start)] : array_column($this->rule->byDay, 1);
        $dates = [];
        foreach ($this->rule->byWeekNo as $no) {
            $week = $no > 0 ? $no - 1 : $weeks + $no;
            foreach ($week < 0 || $week >= $weeks ? [] : $days as $day) {
                $dates[] = $from + $week * 7 + ($day - $this->rule->weekStart + 7) % 7;
            }
        }

        return self::sorted(array_filter($dates, fn (int $date): bool => $this->fitsMonth($date)));
    }

    /** @return list<int> the dates of BYDAY from a first day on, ordinals counted within */
    private function weekdaysWithin(int $first, int $length): array
    {
        $dates = [];
        foreach ($this->rule->byDay as [$ordinal, $weekday]) {
            $earliest = $first + ($weekday - LocalDate::weekday($first) + 7) % 7;
            $count = intdiv($first + $length - 1 - $earliest, 7) + 1;
            if ($ordinal === 0) {
                array_push(
                    $dates,
                    ...array_map(static fn (int $week): int => $earliest + $week * 7, range(0, $count - 1)),
                );
            } elseif (abs($ordinal) <= $count) {
                $dates[] = $earliest + ($ordinal > 0 ? $ordinal - 1 : $count + $ordinal) * 7;
            }
        }

        return $dates;
    }

    private function fitsMonth(int $date): bool
    {
        return $this->rule->byMonth === [] || in_array(LocalDate::parts($date)[1], $this->rule->byMonth, true);
    }

    private function fitsMonthDay(int $date): bool
    {
        if ($this->rule->byMonthDay === []) {
            return true;
        }
        [$year, $month, $day] = LocalDate::parts($date);

        return in_array($day, $this->rule->byMonthDay, true)
            || in_array($day - LocalDate::daysInMonth($year, $month) - 1, $this->rule->byMonthDay, true);
    }

    private function fitsDay(int $date): bool
    {
        return $this->rule->byDay === []
            || in_array(LocalDate::weekday($date), array_column($this->rule->byDay, 1), true);
    }

    /**
     * @param  list<int>  $set
     * @return list<int>
     */
    private function chosen(array $set): array
    {
        if ($this->rule->bySetPos === []) {
            return $set;
        }
        $chosen = [];
        foreach ($this->rule->bySetPos as $position) {
            $index = $position > 0 ? $position - 1 : count($set) + $position;
            if (isset($set[$index])) {
                $chosen[] = $set[$index];
            }
        }

        return self::sorted($chosen);
    }

    /**
     * @param  array<int>  $dates
     * @return list<int>
     */
    private static function sorted(array $dates): array
    {
        $dates = array_values(array_unique($dates));
        sort($dates);

        return $dates;
    }
}
