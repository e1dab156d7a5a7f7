<?php

declare(strict_types=1);

namespace Jaunty\Core\Hours;

use Jaunty\Core\Book\AnnouncedAs;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Calendar;
use Jaunty\Core\Book\ClockTime;
use Jaunty\Core\Book\NamedPeriod;
use Jaunty\Core\Book\RecurrenceRule;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Book\ScheduleException;
use Jaunty\Core\Book\WeeklyPiece;

/**
 * A schedule in a zone, compiled to what it says at each instant (design 03 section 3). Dated exception, then named period,
 * then holiday calendar, then weekly hours own a date; hours past midnight belong to the day they begin on.
 */
final class ScheduleClock
{
    private const WEEK = 10_080;

    /** @var array<int, list<array{int, int}>> weekly hours by weekday */
    private array $week;

    /** @var array<string, array<int, list<array{int, int}>>> weekly hours of named periods, by item */
    private array $periodWeeks = [];

    /** @var array<string, array<int, true>> dates of recurring periods, by item */
    private array $recurring = [];

    /** @var list<CalendarDates> */
    private array $holidays = [];

    private int $knownTo = PHP_INT_MIN;

    private int $knownFrom = PHP_INT_MAX;

    /** @param list<Calendar> $calendars in the schedule's order */
    private function __construct(private readonly Schedule $schedule, private readonly array $calendars, private readonly ZoneClock $zone)
    {
        $this->week = self::byWeekday($schedule->weekly);
        foreach ($schedule->periods as $period) {
            $this->periodWeeks[$period->item] = self::byWeekday($period->weekly);
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
        $text = LocalDate::text($day);
        foreach ($this->schedule->exceptions as $exception) {
            if ($exception->from <= $text && $text <= $exception->to) {
                return self::ofException($exception);
            }
        }
        foreach ($this->schedule->periods as $period) {
            if ($this->holds($period, $day, $text)) {
                $hours = $this->periodWeeks[$period->item][LocalDate::weekday($day)];

                return new DayPlan("period:{$period->item}", State::CLOSED, "period:{$period->item}", $hours, $hours === []);
            }
        }
        foreach ($this->holidays as $dates) {
            $item = $dates->ownerOf($day);
            if ($item !== null) {
                return new DayPlan("holiday:{$item}", "holiday:{$item}", State::OPEN, [], true);
            }
        }

        return new DayPlan('week', State::CLOSED, State::OPEN, $this->week[LocalDate::weekday($day)], false);
    }

    private function compile(int $firstDay, int $lastDay): Timeline
    {
        $this->prepare($firstDay - 1);
        $this->prepare($lastDay);
        $from = [];
        $states = [];
        $before = $this->plan($firstDay - 1);
        $midnight = $this->zone->instantOf($firstDay * LocalDate::MINUTES);
        for ($day = $firstDay; $day <= $lastDay; $day++) {
            $plan = $this->plan($day);
            $next = $this->zone->instantOf(($day + 1) * LocalDate::MINUTES);
            foreach ($this->slices($day, $midnight, $next, $before, $plan) as [$instant, $state]) {
                if ($states === [] || $states[count($states) - 1] !== $state) {
                    $from[] = $instant;
                    $states[] = $state;
                }
            }
            $before = $plan;
            $midnight = $next;
        }

        return new Timeline($from === [] || $states === [] ? throw new \LogicException('no day was compiled') : $from, $states, $midnight);
    }

    /** @return list<array{int, string}> the states of one date, each from its instant on */
    private function slices(int $day, int $midnight, int $next, DayPlan $before, DayPlan $plan): array
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
            return [[$midnight, $plan->outside]];
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
            $slices[] = [$instant, $state];
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

    private function holds(NamedPeriod $period, int $day, string $text): bool
    {
        return $period->rrule === null
            ? $period->from <= $text && $text <= (string) $period->to
            : isset($this->recurring[$period->item][$day]);
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
            array_map(static fn (array $hours): array => self::interval($hours['from'], $hours['to']), $exception->hours),
            true,
        );
    }

    /**
     * @param  list<WeeklyPiece>  $pieces
     * @return array<int, list<array{int, int}>>
     */
    private static function byWeekday(array $pieces): array
    {
        $week = array_fill(0, 7, []);
        foreach ($pieces as $piece) {
            if ($piece->span === null) {
                foreach ($piece->days as $day) {
                    $week[$day][] = self::interval($piece->from, $piece->to);
                }

                continue;
            }
            // Shorthand for one piece a day, cut at midnight; one that ends before it begins goes round the week's end.
            [$from, $to] = $piece->span;
            $to += $to <= $from ? self::WEEK : 0;
            for ($day = intdiv($from, LocalDate::MINUTES); $day * LocalDate::MINUTES < $to; $day++) {
                $start = $day * LocalDate::MINUTES;
                $week[$day % count(ClockTime::DAYS)][] = [max($from - $start, 0), min($to - $start, LocalDate::MINUTES)];
            }
        }

        return $week;
    }

    /** @return array{int, int} an end not later than the beginning lies on the next day */
    private static function interval(int $from, int $to): array
    {
        return [$from, $to <= $from ? $to + LocalDate::MINUTES : $to];
    }
}
