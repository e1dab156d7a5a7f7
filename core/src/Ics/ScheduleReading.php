<?php

declare(strict_types=1);

namespace Jaunty\Core\Ics;

use Jaunty\Core\Book\ClockTime;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Hours\ZoneClock;
use Jaunty\Core\Templates\Slug;

/**
 * A schedule out of an iCalendar file and back. A file of our own carries the schedule too: what nobody touched in it
 * comes back as it was, what was moved, added or removed in a calendar program is read from the events.
 */
final class ScheduleReading
{
    /** How our own files name an event: the list, its item, and the part of it that has pieces of its own. */
    private const UID = '~^(?<list>weekly|exceptions|periods)/(?<item>[a-z0-9][a-z0-9.-]*)'
        . '(?:/(?<part>weekly|hours-\d+)(?:/(?<piece>[a-z0-9][a-z0-9.-]*))?)?@~D';

    private const SCHEDULE = 'X-ROSTER-SCHEDULE';

    private const FROM = 'X-ROSTER-FROM';

    private const SHORTEST = 1;

    /** @var array<string, list<array<string, mixed>>> */
    private array $lists = ['weekly' => [], 'exceptions' => [], 'periods' => []];

    /** @var list<string> */
    private array $notes;

    private function __construct(private readonly IcsFile $file)
    {
        $this->notes = $file->notes;
    }

    /**
     * @param  string  $zone  in which its times are read
     * @param  int  $from  the first day that weekly hours are written for, days since 1970
     * @param  int  $stampedAt  seconds since 1970
     */
    public static function write(Schedule $schedule, string $zone, int $from, int $stampedAt): string
    {
        $events = array_merge(
            ...array_map(array_values(...), array_values(ScheduleEvents::of($schedule, $from, $zone))),
        );

        return (new IcsFile($zone, $events, [
            self::SCHEDULE => json_encode($schedule->toArray(), JSON_THROW_ON_ERROR),
            self::FROM => LocalDate::text($from),
        ]))->text($stampedAt);
    }

    /**
     * @param  string  $key  of the schedule, where the file does not bring one
     * @param  string  $zone  of times that name none
     * @return array{Schedule, string, list<string>} the schedule, the zone its times are in, and what was left out and
     *     why
     *
     * @throws UnusableIcs
     */
    public static function read(string $text, string $key, string $zone): array
    {
        $self = new self(IcsFile::read($text, $zone, [self::SCHEDULE, self::FROM]));

        return [$self->schedule($key), $self->file->zone, $self->notes];
    }

    private function schedule(string $key): Schedule
    {
        $own = $this->own();
        $parts = IcsParts::of($this->file->events, $own === null ? [] : $own[1]);
        $values = $own === null ? [] : $own[0]->toArray();
        $kept = $own === null ? [] : self::items($own[0]);
        foreach ($own === null ? [] : array_keys($own[1]) as $part) {
            [$list, $item] = explode('/', $part, 2);
            if (isset($parts->untouched[$part], $kept[$part])) {
                $this->lists[$list][] = $kept[$part];
            }
            foreach ($parts->touched[$part] ?? [] as $event) {
                $this->interpret($event, $item);
            }
        }
        $this->interpretOthers($parts->others, $own !== null);

        return Schedule::read(Node::of($this->lists + $values + ['key' => $key]));
    }

    /**
     * Events that are no longer, or never were, what the file brings of its own. A calendar program that takes our
     * lines away leaves the names of the events, and they still say which item each was made of.
     *
     * @param  list<IcsEvent>  $events
     */
    private function interpretOthers(array $events, bool $hasOwn): void
    {
        $parts = [];
        $isOurs = false;
        foreach ($events as $place => $event) {
            preg_match(self::UID, $event->uid, $part);
            $isOurs = $isOurs || $part !== [];
            // What an item lasts comes before the hours in it.
            $parts[] = [($part['part'] ?? '') === '' ? 0 : 1, $place, $event, $part];
        }
        usort($parts, static fn (array $one, array $other): int => [$one[0], $one[1]] <=> [$other[0], $other[1]]);
        foreach ($parts as [, , $event, $part]) {
            if (($part['list'] ?? '') === 'periods' && ($part['part'] ?? '') === 'weekly') {
                $this->hoursOfPeriod($event, $part['item'], $part['piece'] ?? 'hours');
            } else {
                $this->interpret($event, $part['item'] ?? null);
            }
        }
        if ($isOurs && ! $hasOwn) {
            $this->notes[] = 'The file no longer holds the schedule it was written from: its name, its calendars, '
                . 'whether a shift is finished past midnight, and the hours of periods that '
                . 'recur are not in events. Look at those';
        }
    }

    private function hoursOfPeriod(IcsEvent $event, string $period, string $piece): void
    {
        $days = ScheduleEvents::weekdays($event);
        foreach ($this->lists['periods'] as $place => $of) {
            if ($days !== null && ($of['item'] ?? null) === $period) {
                $taken = array_column((array) ($of['weekly'] ?? []), 'item');
                foreach (self::pieces($event, $days) as $fields) {
                    $taken[] = $key = IcsParts::freeKey($piece, array_values(array_filter($taken, is_string(...))));
                    $this->lists['periods'][$place]['weekly'] = [
                        ...(array) ($this->lists['periods'][$place]['weekly'] ?? []),
                        ['item' => $key] + $fields,
                    ];
                }

                return;
            }
        }
        $this->notes[] = "\"{$event->name}\" was the hours of a period that is not there any more; left out";
    }

    /** @return array<string, array<string, mixed>> as a book writes them, by list and key */
    private static function items(Schedule $schedule): array
    {
        $items = [];
        foreach (
            [
                'weekly' => $schedule->weekly,
                'exceptions' => $schedule->exceptions,
                'periods' => $schedule->periods,
            ] as $list => $of
        ) {
            foreach ($of as $item) {
                $items["{$list}/{$item->item}"] = $item->toArray();
            }
        }

        return $items;
    }

    /**
     * @return ?array{Schedule, array<string, array<string, IcsEvent>>} what the file brings of its own, and the events
     *     that were made of it
     */
    private function own(): ?array
    {
        $written = $this->file->header[self::SCHEDULE] ?? null;
        $from = $this->file->header[self::FROM] ?? '';
        if ($written === null || preg_match('/^\d{4}-\d{2}-\d{2}$/D', $from) !== 1) {
            return null;
        }
        try {
            $schedule = Schedule::read(Node::of((array) json_decode($written, true, 32)));
        } catch (UnusableBook $fault) {
            $this->notes[] = "The schedule the file brings with it cannot be used ({$fault->getMessage()}); it is read "
                . "from its events alone";

            return null;
        }

        return [$schedule, ScheduleEvents::of($schedule, LocalDate::parse($from), $this->file->zone)];
    }

    /** @param ?string $item its key, where it has had one */
    private function interpret(IcsEvent $event, ?string $item = null): void
    {
        $days = ScheduleEvents::weekdays($event);
        $hasEnd = isset($event->ruleParts()['UNTIL']);
        match (true) {
            $event->moreDays !== [] => $this->notes[] = "\"{$event->name}\" names its dates one by one; enter them as "
                . "exceptions or as a holiday calendar",
            $event->isAllDay && $event->rule === null => $this->dates(
                $event,
                $item,
                in_array(ScheduleEvents::PERIOD, $event->categories, true),
            ),
            $event->isAllDay => $this->recurring($event, $item, []),
            $event->lasts < self::SHORTEST
                || $event->lasts > 7 * LocalDate::MINUTES => $this->notes[] = "\"{$event->name}\" "
                    . "lasts longer than a week",
            $days !== null && ! $hasEnd => $this->weekly($event, $days, $item),
            $event->lasts > LocalDate::MINUTES => $this->notes[] = "\"{$event->name}\" lasts longer than a day on "
                . "single dates; enter each date",
            $event->rule === null, $this->lastDate($event) !== null => $this->hours($event, $item),
            default => $this->recurring($event, $item, [[
                'item' => 'hours', 'days' => ClockTime::DAYS, 'from' => ClockTime::text($event->from()),
                'to' => ClockTime::text($event->to()),
            ]]),
        };
    }

    /** @param list<string> $days */
    private function weekly(IcsEvent $event, array $days, ?string $item): void
    {
        foreach (self::pieces($event, $days) as $fields) {
            $this->add('weekly', $event, $item, $fields);
        }
    }

    /**
     * @param  list<string>  $days
     * @return list<array<string, mixed>> as weekly hours are written
     */
    private static function pieces(IcsEvent $event, array $days): array
    {
        if ($event->lasts <= LocalDate::MINUTES) {
            return [
                ['days' => $days, 'from' => ClockTime::text($event->from()), 'to' => ClockTime::text($event->to())],
            ];
        }

        return array_map(static function (string $day) use ($event): array {
            $end = (
                (int) array_search($day, ClockTime::DAYS, true) * LocalDate::MINUTES
                + $event->from()
                + $event->lasts - 1
            ) % (7 * LocalDate::MINUTES);

            return ['span' => [
                "{$day} " . ClockTime::text($event->from()),
                ClockTime::DAYS[intdiv($end, LocalDate::MINUTES)] . ' ' . ClockTime::text($event->to()),
            ]];
        }, $days);
    }

    private function dates(IcsEvent $event, ?string $item, bool $isPeriod): void
    {
        $dates = ['from' => LocalDate::text($event->firstDay()), 'to' => LocalDate::text($event->lastDay())];
        if ($isPeriod) {
            $this->add('periods', $event, $item, $dates);

            return;
        }
        $this->add('exceptions', $event, $item, $dates + ['announcedAs' => match (true) {
            in_array(ScheduleEvents::HOLIDAY, $event->categories, true) => 'holiday',
            in_array(ScheduleEvents::OPEN, $event->categories, true) => 'open',
            default => 'closed',
        }]);
    }

    /** Hours of one date, or of some in a row: of an exception that is there, where it is of the same. */
    private function hours(IcsEvent $event, ?string $item): void
    {
        $from = LocalDate::text($event->firstDay());
        $to = $this->lastDate($event) ?? $from;
        $hours = ['from' => ClockTime::text($event->from()), 'to' => ClockTime::text($event->to())];
        foreach ($this->lists['exceptions'] as $place => $exception) {
            if ([$exception['from'], $exception['to'] ?? $exception['from']] === [$from, $to]) {
                $this->lists['exceptions'][$place]['hours'] = [...(array) ($exception['hours'] ?? []), $hours];

                return;
            }
        }
        $this->add('exceptions', $event, $item, ['from' => $from, 'to' => $to, 'hours' => [$hours]]);
    }

    /** @return ?string the last date of one that is there every day up to it; null for any other */
    private function lastDate(IcsEvent $event): ?string
    {
        $parts = $event->ruleParts();
        if (
            array_keys($parts) !== ['FREQ', 'UNTIL']
            || $parts['FREQ'] !== 'DAILY'
            || preg_match('/^(\d{4})(\d{2})(\d{2})(?:T(\d{2})(\d{2})\d{2}(Z?))?$/D', $parts['UNTIL'], $found) !== 1
            || ! checkdate((int) $found[2], (int) $found[3], (int) $found[1])
        ) {
            return null;
        }
        $day = LocalDate::of((int) $found[1], (int) $found[2], (int) $found[3]);
        $minutes = $day * LocalDate::MINUTES + (int) ($found[4] ?? 0) * 60 + (int) ($found[5] ?? 0);
        if (($found[6] ?? '') === 'Z') {
            $minutes = ZoneClock::of($this->file->zone)->localMinutes($minutes * 60);
        }

        return LocalDate::text(intdiv($minutes, LocalDate::MINUTES));
    }

    /** @param list<array<string, mixed>> $weekly */
    private function recurring(IcsEvent $event, ?string $item, array $weekly): void
    {
        $this->add('periods', $event, $item, [
            'from' => LocalDate::text($event->firstDay()),
            'rrule' => $event->rule,
            'weekly' => $weekly,
        ]);
    }

    /**
     * @param  'weekly'|'exceptions'|'periods'  $list
     * @param  array<string, mixed>  $fields
     */
    private function add(string $list, IcsEvent $event, ?string $item, array $fields): void
    {
        $taken = array_map(
            static fn (array $value): string => is_string($value['item'] ?? null) ? $value['item'] : '',
            $this->lists[$list],
        );
        $item ??= Slug::of($event->name === '' ? $list : $event->name);
        $key = IcsParts::freeKey($item, $taken);
        $value = ['item' => $key]
            + ($list === 'weekly' ? [] : ['name' => $event->name === '' ? $key : $event->name])
            + $fields;
        try {
            Schedule::read(Node::of(['key' => 'x', $list => [$value]]));
        } catch (UnusableBook $fault) {
            $this->notes[] = "\"{$event->name}\" cannot be kept: {$fault->getMessage()}";

            return;
        }
        $this->lists[$list][] = $value;
    }
}
