<?php

declare(strict_types=1);

namespace Jaunty\Core\Ics;

use Jaunty\Core\Book\Calendar;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Templates\Slug;

/**
 * A holiday calendar out of an iCalendar file and back; as with schedules, what nobody touched comes back as it was.
 */
final class HolidayReading
{
    private const CALENDAR = 'X-ROSTER-CALENDAR';

    private const YEARS = 'X-ROSTER-YEARS';

    private const MOST_DATES = 31;

    /** @var list<array<string, mixed>> */
    private array $holidays = [];

    /** @var list<string> keys of theirs */
    private array $items = [];

    /** @var list<string> */
    private array $notes;

    private function __construct(private readonly IcsFile $file)
    {
        $this->notes = $file->notes;
    }

    /**
     * @param  int  $lastYear  inclusive
     * @param  int  $stampedAt  seconds since 1970
     */
    public static function write(
        Calendar $calendar,
        string $zone,
        int $firstYear,
        int $lastYear,
        int $stampedAt,
    ): string {
        $events = array_merge(
            ...array_map(array_values(...), array_values(HolidayEvents::of($calendar, $firstYear, $lastYear))),
        );

        return (new IcsFile($zone, $events, [
            self::CALENDAR => json_encode($calendar->toArray(), JSON_THROW_ON_ERROR),
            self::YEARS => "{$firstYear}-{$lastYear}",
        ]))->text($stampedAt);
    }

    /**
     * @param  string  $key  of the calendar, where the file does not bring one
     * @return array{Calendar, list<string>} and what was left out and why
     *
     * @throws UnusableIcs
     */
    public static function read(string $text, string $key, string $zone): array
    {
        $self = new self(IcsFile::read($text, $zone, [self::CALENDAR, self::YEARS]));

        return [$self->calendar($key), $self->notes];
    }

    private function calendar(string $key): Calendar
    {
        $own = $this->own();
        $parts = IcsParts::of($this->file->events, $own === null ? [] : $own[1]);
        foreach ($own === null ? [] : $own[0]->holidays as $holiday) {
            if (isset($parts->untouched[$holiday->item])) {
                $this->holidays[] = $holiday->toArray();
                $this->items[] = $holiday->item;
            }
            foreach ($parts->touched[$holiday->item] ?? [] as $event) {
                $this->interpret($event, $holiday->item);
            }
        }
        foreach ($parts->others as $event) {
            $this->interpret($event, null);
        }

        return Calendar::read(
            Node::of(['holidays' => $this->holidays] + ($own === null ? ['key' => $key] : $own[0]->toArray())),
        );
    }

    /** @return ?array{Calendar, array<string, array<string, IcsEvent>>} */
    private function own(): ?array
    {
        $written = $this->file->header[self::CALENDAR] ?? null;
        if (
            $written === null
            || preg_match('/^(\d{4})-(\d{4})$/D', $this->file->header[self::YEARS] ?? '', $years) !== 1
            || (int) $years[2] - (int) $years[1] > 100
        ) {
            return null;
        }
        try {
            $calendar = Calendar::read(Node::of((array) json_decode($written, true, 32)));
        } catch (UnusableBook $fault) {
            $this->notes[] = "The calendar the file brings with it cannot be used ({$fault->getMessage()}); it is read "
                . "from its events alone";

            return null;
        }

        return [$calendar, HolidayEvents::of($calendar, (int) $years[1], (int) $years[2])];
    }

    private function interpret(IcsEvent $event, ?string $item): void
    {
        $rule = $event->rule === null ? null : HolidayEvents::yearly($event);
        if (! $event->isAllDay) {
            $this->notes[] = "\"{$event->name}\" is not a whole day, so it is no holiday";
        } elseif ($event->rule !== null && $rule === null) {
            $this->notes[] = "\"{$event->name}\" recurs by a rule that no holiday has "
                . "({$event->rule}); enter its dates";
        } elseif ($rule !== null) {
            $this->add($event, $item, ['rule' => $rule]);
        } elseif ($event->lastDay() - $event->firstDay() >= self::MOST_DATES) {
            $this->notes[] = "\"{$event->name}\" lasts longer than a month; make it a period of the schedule";
        } else {
            foreach ([...range($event->firstDay(), $event->lastDay()), ...$event->moreDays] as $day) {
                $this->add($event, $item, ['date' => LocalDate::text($day)]);
            }
        }
    }

    /** @param array<string, mixed> $fields */
    private function add(IcsEvent $event, ?string $item, array $fields): void
    {
        $item ??= Slug::of($event->name === '' ? 'holiday' : $event->name);
        $key = IcsParts::freeKey($item, $this->items);
        $holiday = ['item' => $key, 'name' => $event->name === '' ? $key : $event->name] + $fields;
        try {
            Calendar::read(Node::of(['key' => 'x', 'holidays' => [$holiday]]));
            $this->holidays[] = $holiday;
            $this->items[] = $key;
        } catch (UnusableBook $fault) {
            $this->notes[] = "\"{$event->name}\" cannot be kept: {$fault->getMessage()}";
        }
    }
}
