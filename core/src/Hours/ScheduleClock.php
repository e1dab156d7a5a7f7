<?php

declare(strict_types=1);

namespace Jaunty\Core\Hours;

use Jaunty\Core\Book\AnnouncedAs;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Calendar;
use Jaunty\Core\Book\NamedPeriod;
use Jaunty\Core\Book\RecurrenceRule;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Book\ScheduleException;

/**
 * A schedule in a zone, compiled to what it says at each instant (design 03 section 3). Dated exception, then named
 * period, then holiday calendar, then weekly hours own a date; hours past midnight belong to the day they begin on.
 */
final class ScheduleClock
{
    private const DAY_SECONDS = 86_400;

    /** @var array<int, DayPlan> by weekday */
    private array $ofWeek;

    /**
     * @var array<string, DayPlan> of other owners than the week, by owner and weekday, so that days alike have the same
     */
    private array $plans = [];

    /**
     * @var array<int, array<int, array<int, string>>> states of a day of 24 hours by seconds since midnight, by the
     *     number of the plan before and of its own
     */
    private array $usual = [];

    /** @var array<int, DayPlan> of the dates that are not simply days of the week */
    private array $special = [];

    private int $owned = 0;

    private int $knownTo = PHP_INT_MIN;

    private int $knownFrom = PHP_INT_MAX;

    /**
     * @param  list<Calendar>  $calendars  in the schedule's order
     * @param  ?list<string>  $named
     */
    private function __construct(
        private readonly Schedule $schedule,
        private readonly array $calendars,
        private readonly ZoneClock $zone,
        private readonly ?array $named,
    ) {
        $this->ofWeek = array_map(
            fn (array $hours): DayPlan => $this->own(
                'week',
                HoursState::Closed->value,
                HoursState::Open->value,
                $hours,
                false,
            ),
            WeekPattern::of($schedule->weekly)->byWeekday(),
        );
    }

    /**
     * @param  string  $zone  of whoever uses the schedule; its own fixed zone goes before
     * @param  ?list<string>  $named  states that somebody tells apart; unset: all of them
     */
    public static function of(Schedule $schedule, Book $book, string $zone, ?array $named = null): self
    {
        $calendars = [];
        foreach ($schedule->calendars as $reference) {
            $calendar = $book->find($reference);
            if ($calendar instanceof Calendar) {
                $calendars[] = $calendar;
            }
        }

        return new self($schedule, $calendars, ZoneClock::of($schedule->fixedZone ?? $zone), $named);
    }

    public function at(int $instant): string
    {
        $day = intdiv(
            $this->zone->localMinutes($instant) - self::into($this->zone->localMinutes($instant)),
            LocalDate::MINUTES,
        );

        return $this->compile($day - 1, $day + 1)->at($instant);
    }

    /** What it says from an instant on, for as long. @param int $seconds length of the horizon */
    public function timeline(int $from, int $seconds): Timeline
    {
        $until = $from + $seconds;
        $whole = $this->compile($this->dayOf($from) - 1, $this->dayOf($until) + 1);
        $first = Ascending::lastUpTo($whole->from, $from);
        $length = Ascending::lastUpTo($whole->from, $until - 1) - $first + 1;

        return new Timeline(
            [$from, ...array_slice($whole->from, $first + 1, $length - 1)],
            [$whole->states[$first], ...array_slice($whole->states, $first + 1, $length - 1)],
            $until,
        );
    }

    /** What owns a date. */
    public function plan(int $day): DayPlan
    {
        $this->prepare($day);

        return $this->special[$day] ?? $this->ofWeek[LocalDate::weekday($day)];
    }

    private function compile(int $firstDay, int $lastDay): Timeline
    {
        $this->prepare($firstDay - 1);
        $this->prepare($lastDay);
        $from = [];
        $states = [];
        $last = null;
        $before = $this->plan($firstDay - 1);
        $midnights = $this->zone->midnights($firstDay, $lastDay);
        $weekday = LocalDate::weekday($firstDay);
        // This loop is where a year's time goes, so days alike are painted once and nothing is called for them.
        foreach (array_slice($midnights, 0, -1) as $index => $midnight) {
            $day = $firstDay + $index;
            $plan = $this->special[$day] ?? $this->ofWeek[$weekday];
            $weekday = ($weekday + 1) % 7;
            $next = $midnights[$index + 1];
            $slices = $next - $midnight === self::DAY_SECONDS
                ? $this->usual[$before->number][$plan->number] ??= $this->painted(
                    $day,
                    $midnight,
                    $next,
                    $before,
                    $plan,
                )
                : $this->painted($day, $midnight, $next, $before, $plan);
            foreach ($slices as $after => $state) {
                if ($state !== $last) {
                    $from[] = $midnight + $after;
                    $states[] = $last = $state;
                }
            }
            $before = $plan;
        }

        return new Timeline(
            $from === [] || $states === [] ? throw new \LogicException('no day was compiled') : $from,
            $states,
            $midnights[count($midnights) - 1],
        );
    }

    /** @return array<int, string> states of one date, by seconds after its beginning */
    private function painted(int $day, int $midnight, int $next, DayPlan $before, DayPlan $plan): array
    {
        // Painted in this order, later over earlier: outside hours, what runs on from the day before, the date's own
        // hours.
        $paints = [];
        if (
            ! $plan->isClosedDate
            || $this->schedule->finishShift
            || $plan->owner === $before->owner && $before->owner !== 'week'
        ) {
            foreach ($before->hours as [, $to]) {
                if ($to > LocalDate::MINUTES) {
                    $paints[] = [
                        $midnight,
                        $this->zone->instantOf(($day - 1) * LocalDate::MINUTES + $to),
                        $before->inside,
                    ];
                }
            }
        }
        foreach ($plan->hours as [$begin, $to]) {
            $end = $to >= LocalDate::MINUTES ? $next : $this->zone->instantOf($day * LocalDate::MINUTES + $to);
            $paints[] = [
                $begin === 0 ? $midnight : $this->zone->instantOf($day * LocalDate::MINUTES + $begin),
                $end,
                $plan->inside,
            ];
        }
        if ($paints === []) {
            return [0 => $plan->outside];
        }
        $ends = [$midnight => true];
        foreach ($paints as [$begin, $end]) {
            foreach ([$begin, $end] as $instant) {
                if ($instant > $midnight && $instant < $next) {
                    $ends[$instant] = true;
                }
            }
        }
        ksort($ends);
        $slices = [];
        foreach (array_keys($ends) as $instant) {
            $state = $plan->outside;
            foreach ($paints as [$begin, $end, $painted]) {
                if ($begin <= $instant && $instant < $end) {
                    $state = $painted;
                }
            }
            $slices[$instant - $midnight] = $state;
        }

        return $slices;
    }

    /** Dates are given to their owners for the years around those asked for. */
    private function prepare(int $day): void
    {
        if ($day >= $this->knownFrom && $day <= $this->knownTo) {
            return;
        }
        [$year] = LocalDate::parts($day);
        $firstYear = min(
            $year - 1,
            $this->knownFrom === PHP_INT_MAX ? $year - 1 : LocalDate::parts($this->knownFrom)[0],
        );
        $lastYear = max($year + 1, $this->knownTo === PHP_INT_MIN ? $year + 1 : LocalDate::parts($this->knownTo)[0]);
        $this->knownFrom = LocalDate::of($firstYear, 1, 1);
        $this->knownTo = LocalDate::of($lastYear, 12, 31);
        $this->special = [];
        // Whoever goes before writes later, over what others have written; of those alike the first in the list writes
        // last.
        foreach (array_reverse($this->calendars) as $calendar) {
            foreach (CalendarDates::of($calendar, $firstYear, $lastYear)->all() as $date => $item) {
                $this->special[$date] = $this->plans["holiday:{$item}"] ??= $this->own(
                    "holiday:{$item}",
                    "holiday:{$item}",
                    HoursState::Open->value,
                    [],
                    true,
                );
            }
        }
        foreach (array_reverse($this->schedule->periods) as $period) {
            $week = WeekPattern::of($period->weekly)->byWeekday();
            foreach ($this->datesOf($period) as $date) {
                $weekday = LocalDate::weekday($date);
                $this->special[$date] = $this->plans["period:{$period->item} {$weekday}"] ??= $this->own(
                    "period:{$period->item}",
                    HoursState::Closed->value,
                    "period:{$period->item}",
                    $week[$weekday],
                    $week[$weekday] === [],
                );
            }
        }
        foreach (array_reverse($this->schedule->exceptions) as $exception) {
            foreach ($this->known($exception->from, $exception->to) as $date) {
                $this->special[$date] = $this->plans["exception:{$exception->item}"] ??= $this->ofException($exception);
            }
        }
    }

    /** @return list<int> within what is known */
    private function datesOf(NamedPeriod $period): array
    {
        if ($period->rrule === null) {
            return $this->known($period->from, $period->to ?? $period->from);
        }

        return Recurrence::of(RecurrenceRule::parse($period->rrule, 'rrule'), LocalDate::parse($period->from))->upTo(
            $this->knownTo,
        );
    }

    /** @return list<int> the dates from one to another that lie within what is known */
    private function known(string $from, string $to): array
    {
        $first = max(LocalDate::parse($from), $this->knownFrom);
        $last = min(LocalDate::parse($to), $this->knownTo);

        return $first > $last ? [] : range($first, $last);
    }

    private function dayOf(int $instant): int
    {
        $minutes = $this->zone->localMinutes($instant);

        return intdiv($minutes - self::into($minutes), LocalDate::MINUTES);
    }

    /** @param list<array{int, int}> $hours */
    private function own(string $owner, string $outside, string $inside, array $hours, bool $isClosedDate): DayPlan
    {
        if ($this->named !== null) {
            [$outside, $inside] = [
                HoursState::asNamed($outside, $this->named),
                HoursState::asNamed($inside, $this->named),
            ];
        }

        return new DayPlan($this->owned++, $owner, $outside, $inside, $hours, $isClosedDate);
    }

    /** Minutes into the local day, before 1970 too. */
    private static function into(int $minutes): int
    {
        return ($minutes % LocalDate::MINUTES + LocalDate::MINUTES) % LocalDate::MINUTES;
    }

    private function ofException(ScheduleException $exception): DayPlan
    {
        return $this->own(
            "exception:{$exception->item}",
            match ($exception->announcedAs) {
                AnnouncedAs::Closed => HoursState::Closed->value,
                AnnouncedAs::Open => HoursState::Open->value,
                AnnouncedAs::Holiday => "holiday:{$exception->item}",
            },
            HoursState::Open->value,
            array_map(
                static fn (array $hours): array => WeekPattern::interval($hours['from'], $hours['to']),
                $exception->hours,
            ),
            true,
        );
    }
}
