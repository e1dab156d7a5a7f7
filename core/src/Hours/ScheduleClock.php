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
 * A schedule in a zone, compiled to what it says at each instant (design 03 section 3). Dated exception, then named period,
 * then holiday calendar, then weekly hours own a date; hours past midnight belong to the day they begin on.
 */
final class ScheduleClock
{
    private const DAY_SECONDS = 86_400;

    /** @var array<int, list<array{int, int}>> weekly hours by weekday */
    private array $week;

    /** @var array<string, array<int, list<array{int, int}>>> weekly hours of named periods, by item */
    private array $periodWeeks = [];

    /** @var list<array{int, int, ScheduleException}> first and last day, in order of precedence */
    private array $exceptions = [];

    /** @var list<array{int, int, NamedPeriod}> of dates, as exceptions; what recurs is in `recurring` */
    private array $periods = [];

    /** @var array<string, DayPlan> one for each owner and weekday, so that days alike have the same */
    private array $plans = [];

    /** @var array<int, array<int, list<array{int, string}>>> states of a day of 24 hours in seconds since midnight, by the ids of its plan and of the one before */
    private array $usual = [];

    /** @var array<string, array<int, true>> dates of recurring periods, by item */
    private array $recurring = [];

    /** @var list<CalendarDates> */
    private array $holidays = [];

    private int $knownTo = PHP_INT_MIN;

    private int $knownFrom = PHP_INT_MAX;

    /** @param list<Calendar> $calendars in the schedule's order */
    private function __construct(private readonly Schedule $schedule, private readonly array $calendars, private readonly ZoneClock $zone)
    {
        $this->week = WeekPattern::of($schedule->weekly)->byWeekday();
        foreach ($schedule->exceptions as $exception) {
            $this->exceptions[] = [LocalDate::parse($exception->from), LocalDate::parse($exception->to), $exception];
        }
        foreach ($schedule->periods as $period) {
            $this->periodWeeks[$period->item] = WeekPattern::of($period->weekly)->byWeekday();
            $this->periods[] = [LocalDate::parse($period->from), LocalDate::parse($period->to ?? $period->from), $period];
        }
    }

    /** @param string $zone of whoever uses the schedule; its own fixed zone goes before */
    public static function of(Schedule $schedule, Book $book, string $zone): self
    {
        $calendars = [];
        foreach ($schedule->calendars as $reference) {
            $calendar = $book->find($reference);
            if ($calendar instanceof Calendar) {
                $calendars[] = $calendar;
            }
        }

        return new self($schedule, $calendars, ZoneClock::of($schedule->fixedZone ?? $zone));
    }

    public function at(int $instant): string
    {
        $day = intdiv($this->zone->localMinutes($instant) - self::into($this->zone->localMinutes($instant)), LocalDate::MINUTES);

        return $this->compile($day - 1, $day + 1)->at($instant);
    }

    /** What it says from an instant on, for as long. @param int $seconds length of the horizon */
    public function timeline(int $from, int $seconds): Timeline
    {
        $until = $from + $seconds;
        $whole = $this->compile($this->dayOf($from) - 1, $this->dayOf($until) + 1);
        $starts = [$from];
        $states = [$whole->at($from)];
        foreach ($whole->from as $index => $instant) {
            if ($instant > $from && $instant < $until) {
                $starts[] = $instant;
                $states[] = $whole->states[$index];
            }
        }

        return new Timeline($starts, $states, $until);
    }

    /** What owns a date. */
    public function plan(int $day): DayPlan
    {
        $this->prepare($day);
        $weekday = LocalDate::weekday($day);
        foreach ($this->exceptions as [$from, $to, $exception]) {
            if ($from <= $day && $day <= $to) {
                return $this->plans["exception:{$exception->item}"] ??= self::ofException($exception);
            }
        }
        foreach ($this->periods as [$from, $to, $period]) {
            if ($period->rrule === null ? $from <= $day && $day <= $to : isset($this->recurring[$period->item][$day])) {
                $owner = "period:{$period->item}";
                $hours = $this->periodWeeks[$period->item][$weekday];

                return $this->plans["{$owner} {$weekday}"] ??= new DayPlan($owner, State::CLOSED, $owner, $hours, $hours === []);
            }
        }
        foreach ($this->holidays as $dates) {
            $item = $dates->ownerOf($day);
            if ($item !== null) {
                return $this->plans["holiday:{$item}"] ??= new DayPlan("holiday:{$item}", "holiday:{$item}", State::OPEN, [], true);
            }
        }

        return $this->plans["week {$weekday}"] ??= new DayPlan('week', State::CLOSED, State::OPEN, $this->week[$weekday], false);
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
        foreach ($midnights as $index => $midnight) {
            $next = $midnights[$index + 1] ?? null;
            if ($next === null) {
                break;
            }
            $plan = $this->plan($firstDay + $index);
            foreach ($this->slices($firstDay + $index, $midnight, $next, $before, $plan) as [$after, $state]) {
                if ($state !== $last) {
                    $from[] = $midnight + $after;
                    $states[] = $last = $state;
                }
            }
            $before = $plan;
        }

        return new Timeline($from === [] || $states === [] ? throw new \LogicException('no day was compiled') : $from, $states, $midnights[count($midnights) - 1]);
    }

    /** @return list<array{int, string}> the states of one date, each from so many seconds after its beginning */
    private function slices(int $day, int $midnight, int $next, DayPlan $before, DayPlan $plan): array
    {
        return $next - $midnight === self::DAY_SECONDS
            ? $this->usual[spl_object_id($plan)][spl_object_id($before)] ??= $this->painted($day, $midnight, $next, $before, $plan)
            : $this->painted($day, $midnight, $next, $before, $plan);
    }

    /** @return list<array{int, string}> */
    private function painted(int $day, int $midnight, int $next, DayPlan $before, DayPlan $plan): array
    {
        // Painted in this order, later over earlier: outside hours, what runs on from the day before, the date's own hours.
        $paints = [];
        if (! $plan->isClosedDate || $this->schedule->finishShift || $plan->owner === $before->owner && $before->owner !== 'week') {
            foreach ($before->hours as [, $to]) {
                if ($to > LocalDate::MINUTES) {
                    $paints[] = [$midnight, $this->zone->instantOf(($day - 1) * LocalDate::MINUTES + $to), $before->inside];
                }
            }
        }
        foreach ($plan->hours as [$begin, $to]) {
            $end = $to >= LocalDate::MINUTES ? $next : $this->zone->instantOf($day * LocalDate::MINUTES + $to);
            $paints[] = [$begin === 0 ? $midnight : $this->zone->instantOf($day * LocalDate::MINUTES + $begin), $end, $plan->inside];
        }
        if ($paints === []) {
            return [[0, $plan->outside]];
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
            $slices[] = [$instant - $midnight, $state];
        }

        return $slices;
    }

    /** Holidays and recurring dates are worked out for the years around those asked for. */
    private function prepare(int $day): void
    {
        if ($day >= $this->knownFrom && $day <= $this->knownTo) {
            return;
        }
        [$year] = LocalDate::parts($day);
        $firstYear = min($year - 1, $this->knownFrom === PHP_INT_MAX ? $year - 1 : LocalDate::parts($this->knownFrom)[0]);
        $lastYear = max($year + 1, $this->knownTo === PHP_INT_MIN ? $year + 1 : LocalDate::parts($this->knownTo)[0]);
        $this->knownFrom = LocalDate::of($firstYear, 1, 1);
        $this->knownTo = LocalDate::of($lastYear, 12, 31);
        $this->holidays = array_map(static fn (Calendar $calendar): CalendarDates => CalendarDates::of($calendar, $firstYear, $lastYear), $this->calendars);
        foreach ($this->schedule->periods as $period) {
            if ($period->rrule !== null) {
                $rule = RecurrenceRule::parse($period->rrule, 'rrule');
                $this->recurring[$period->item] = array_fill_keys(Recurrence::of($rule, LocalDate::parse($period->from))->upTo($this->knownTo), true);
            }
        }
    }

    private function dayOf(int $instant): int
    {
        $minutes = $this->zone->localMinutes($instant);

        return intdiv($minutes - self::into($minutes), LocalDate::MINUTES);
    }

    /** Minutes into the local day, before 1970 too. */
    private static function into(int $minutes): int
    {
        return ($minutes % LocalDate::MINUTES + LocalDate::MINUTES) % LocalDate::MINUTES;
    }

    private static function ofException(ScheduleException $exception): DayPlan
    {
        return new DayPlan(
            "exception:{$exception->item}",
            match ($exception->announcedAs) {
                AnnouncedAs::Closed => State::CLOSED,
                AnnouncedAs::Open => State::OPEN,
                AnnouncedAs::Holiday => "holiday:{$exception->item}",
            },
            State::OPEN,
            array_map(static fn (array $hours): array => WeekPattern::interval($hours['from'], $hours['to']), $exception->hours),
            true,
        );
    }
}
