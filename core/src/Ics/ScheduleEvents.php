<?php

declare(strict_types=1);

namespace Jaunty\Core\Ics;

use Jaunty\Core\Book\AnnouncedAs;
use Jaunty\Core\Book\ClockTime;
use Jaunty\Core\Book\NamedPeriod;
use Jaunty\Core\Book\RecurrenceRule;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Book\ScheduleException;
use Jaunty\Core\Book\WeeklyPiece;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Hours\WeekPattern;
use Jaunty\Core\Hours\ZoneClock;

/** A schedule as events that a calendar program shows: hours as times, closed dates and periods as whole days. */
final readonly class ScheduleEvents
{
    public const CLOSED = 'CLOSED';

    public const HOLIDAY = 'HOLIDAY';

    public const OPEN = 'OPEN';

    public const PERIOD = 'PERIOD';

    private function __construct(private Schedule $schedule, private string $zone)
    {
    }

    /**
     * @param  int  $from  the first day that weekly hours are written for, days since 1970
     * @param  string  $zone  in which its times are read
     * @return array<string, array<string, IcsEvent>> the events of each item, by uid; items by list and key
     *     (`weekly/day`)
     */
    public static function of(Schedule $schedule, int $from, string $zone): array
    {
        $self = new self($schedule, $zone);
        $events = [];
        foreach ($schedule->weekly as $piece) {
            $events["weekly/{$piece->item}"] = $self->ofPiece("weekly/{$piece->item}", $piece, $from, null);
        }
        foreach ($schedule->exceptions as $exception) {
            $events["exceptions/{$exception->item}"] = $self->ofException("exceptions/{$exception->item}", $exception);
        }
        foreach ($schedule->periods as $period) {
            $events["periods/{$period->item}"] = $self->ofPeriod("periods/{$period->item}", $period);
        }

        return array_map(static fn (array $list): array => array_column($list, null, 'uid'), $events);
    }

    /** @return list<IcsEvent> */
    private function ofPiece(string $part, WeeklyPiece $piece, int $from, ?int $lastDay): array
    {
        $days = $piece->span === null ? $piece->days : [intdiv($piece->span[0], LocalDate::MINUTES)];
        if ($days === []) {
            return [];
        }
        $first = $from;
        while (! in_array(LocalDate::weekday($first), $days, true)) {
            $first++;
        }
        if ($lastDay !== null && $first > $lastDay) {
            return [];
        }
        [$begins, $ends] = $piece->span === null
            ? WeekPattern::interval($piece->from, $piece->to)
            : [
                $piece->span[0] % LocalDate::MINUTES,
                $piece->span[1] - $piece->span[0] + $piece->span[0] % LocalDate::MINUTES,
            ];
        $ends += $ends <= $begins ? 7 * LocalDate::MINUTES : 0;
        $until = $lastDay === null ? '' : ';UNTIL=' . $this->until($lastDay);
        $byDay = implode(',', array_map(static fn (int $day): string => RecurrenceRule::WEEKDAYS[$day], $days));

        return [$this->event(
            $part,
            'Open',
            $first * LocalDate::MINUTES + $begins,
            $ends - $begins,
            false,
            "FREQ=WEEKLY{$until};BYDAY={$byDay}",
        )];
    }

    /** @return list<IcsEvent> */
    private function ofException(string $part, ScheduleException $exception): array
    {
        $first = LocalDate::parse($exception->from);
        $last = LocalDate::parse($exception->to);
        $events = [$this->event(
            $part,
            $exception->name,
            $first * LocalDate::MINUTES,
            ($last - $first + 1) * LocalDate::MINUTES,
            true,
            null,
            match ($exception->announcedAs) {
                AnnouncedAs::Closed => self::CLOSED,
                AnnouncedAs::Holiday => self::HOLIDAY,
                AnnouncedAs::Open => self::OPEN,
            },
        )];
        foreach ($exception->hours as $place => $hours) {
            [$begins, $ends] = WeekPattern::interval($hours['from'], $hours['to']);
            $events[] = $this->event(
                "{$part}/hours-{$place}",
                "{$exception->name}: open",
                $first * LocalDate::MINUTES + $begins,
                $ends - $begins,
                false,
                $last > $first ? 'FREQ=DAILY;UNTIL=' . $this->until($last) : null,
            );
        }

        return $events;
    }

    /**
     * @return list<IcsEvent> the hours of one that recurs lie on dates only its rule knows, so they are not written out
     */
    private function ofPeriod(string $part, NamedPeriod $period): array
    {
        $first = LocalDate::parse($period->from);
        if ($period->rrule !== null) {
            return [$this->event(
                $part,
                $period->name,
                $first * LocalDate::MINUTES,
                LocalDate::MINUTES,
                true,
                $period->rrule,
                self::PERIOD,
            )];
        }
        $last = LocalDate::parse($period->to ?? $period->from);
        $events = [$this->event(
            $part,
            $period->name,
            $first * LocalDate::MINUTES,
            ($last - $first + 1) * LocalDate::MINUTES,
            true,
            null,
            self::PERIOD,
        )];
        foreach ($period->weekly as $piece) {
            array_push($events, ...$piece->span === null
                ? $this->ofPiece("{$part}/weekly/{$piece->item}", $piece, $first, $last)
                : $this->ofSpan("{$part}/weekly/{$piece->item}", $piece->span, $first, $last));
        }

        return $events;
    }

    /**
     * Hours over several days, day by day: some of them may lie before the period, and the rest holds all the same.
     *
     * @param  array{int, int}  $span  minutes of the week
     * @return list<IcsEvent>
     */
    private function ofSpan(string $part, array $span, int $first, int $last): array
    {
        [$from, $to] = $span;
        $to += $to <= $from ? 7 * LocalDate::MINUTES : 0;
        $events = [];
        for ($day = intdiv($from, LocalDate::MINUTES), $place = 0; $day * LocalDate::MINUTES < $to; $day++, $place++) {
            $begins = max($from, $day * LocalDate::MINUTES);
            $ends = min($to, ($day + 1) * LocalDate::MINUTES);
            $date = $first;
            while (LocalDate::weekday($date) !== $day % 7) {
                $date++;
            }
            if ($date <= $last) {
                $weekday = RecurrenceRule::WEEKDAYS[$day % 7];
                $events[] = $this->event(
                    "{$part}.{$place}",
                    'Open',
                    $date * LocalDate::MINUTES + $begins % LocalDate::MINUTES,
                    $ends - $begins,
                    false,
                    "FREQ=WEEKLY;UNTIL={$this->until($last)};BYDAY={$weekday}",
                );
            }
        }

        return $events;
    }

    private function event(
        string $part,
        string $name,
        int $starts,
        int $lasts,
        bool $isAllDay,
        ?string $rule,
        ?string $category = null,
    ): IcsEvent {
        return new IcsEvent(
            "{$part}@{$this->schedule->key}.jaunty-roster",
            $name,
            $starts,
            $lasts,
            $isAllDay,
            $rule,
            [],
            $category === null ? [] : [$category],
        );
    }

    /** The end of a date as RFC 5545 section 3.3.10 wants it beside a time with a zone: in UTC. */
    private function until(int $day): string
    {
        return gmdate('Ymd\THis\Z', ZoneClock::of($this->zone)->midnight($day + 1) - 1);
    }

    /**
     * @return ?list<string> the days of a weekly rule that does nothing else, as weekly hours name them; null for any
     *     other
     */
    public static function weekdays(IcsEvent $event): ?array
    {
        $parts = $event->ruleParts();
        if (
            ($parts['FREQ'] ?? '') !== 'WEEKLY'
            || ($parts['INTERVAL'] ?? '1') !== '1'
            || array_diff(array_keys($parts), ['FREQ', 'INTERVAL', 'BYDAY', 'WKST', 'UNTIL']) !== []
        ) {
            return null;
        }
        $days = [];
        foreach (
            isset($parts['BYDAY'])
            ? explode(',', $parts['BYDAY'])
            : [RecurrenceRule::WEEKDAYS[LocalDate::weekday($event->firstDay())]] as $name
        ) {
            $day = array_search($name, RecurrenceRule::WEEKDAYS, true);
            if ($day === false) {
                return null;
            }
            $days[] = ClockTime::DAYS[$day];
        }

        return $days;
    }
}
