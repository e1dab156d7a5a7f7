<?php

declare(strict_types=1);

namespace Jaunty\Core\Ics;

use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\ParseException;
use Sabre\VObject\Reader;

/** iCalendar text (RFC 5545) to events in local time and back. Rules are carried, never expanded. */
final readonly class IcsFile
{
    public const MOST_BYTES = 1_048_576;

    public const MOST_EVENTS = 5_000;

    private const ZONE_YEARS = 10;

    /**
     * @param  string  $zone  in which the events' local times are
     * @param  list<IcsEvent>  $events
     * @param  array<string, string>  $header  further properties of the calendar, by name
     * @param  list<string>  $notes  what could not be read
     */
    public function __construct(
        public string $zone,
        public array $events,
        public array $header = [],
        public array $notes = [],
    ) {
    }

    /**
     * @param  string  $zone  of times that name none
     * @param  list<string>  $properties  names of further properties that are wanted
     *
     * @throws UnusableIcs
     */
    public static function read(string $text, string $zone, array $properties = []): self
    {
        if (strlen($text) > self::MOST_BYTES) {
            throw UnusableIcs::tooLarge(self::MOST_BYTES);
        }

        return self::withoutDeprecations(static function () use ($text, $zone, $properties): self {
            try {
                $calendar = Reader::read($text, Reader::OPTION_FORGIVING);
            } catch (ParseException | \InvalidArgumentException $fault) {
                throw UnusableIcs::malformed($fault->getMessage());
            }
            if (! $calendar instanceof VCalendar) {
                throw UnusableIcs::malformed('it does not begin with BEGIN:VCALENDAR');
            }

            return (new IcsParsing($calendar, $zone))->file($properties, self::MOST_EVENTS);
        });
    }

    /** @param int $stampedAt when it was made, seconds since 1970 */
    public function text(int $stampedAt): string
    {
        return self::withoutDeprecations(function () use ($stampedAt): string {
            $calendar = new VCalendar([], false);
            $calendar->add('VERSION', '2.0');
            $calendar->add('PRODID', '-//Jaunty Roster//Hours//EN');
            $calendar->add('X-WR-TIMEZONE', $this->zone);
            foreach ($this->header as $name => $value) {
                $calendar->add($name, $value);
            }
            $first = min(
                [$stampedAt, ...array_map(static fn (IcsEvent $event): int => $event->starts * 60, $this->events)],
            );
            $zone = $calendar->createComponent('VTIMEZONE', [], false);
            $calendar->add($zone);
            $zone->add('TZID', $this->zone);
            foreach (
                IcsZone::observances(
                    $this->zone,
                    $first - 366 * 86_400,
                    $stampedAt + self::ZONE_YEARS * 366 * 86_400,
                ) as $observance
            ) {
                $component = $calendar->createComponent($observance['name'], [], false);
                $zone->add($component);
                foreach ($observance['properties'] as $name => $value) {
                    $component->add($name, $value);
                }
            }
            foreach ($this->events as $event) {
                $this->write($calendar, $event, $stampedAt);
            }

            return $calendar->serialize();
        });
    }

    private function write(VCalendar $calendar, IcsEvent $event, int $stampedAt): void
    {
        $component = $calendar->createComponent('VEVENT', [], false);
        $calendar->add($component);
        $component->add('UID', $event->uid);
        $component->add('DTSTAMP', gmdate('Ymd\THis\Z', $stampedAt));
        $component->add('SUMMARY', $event->name);
        $of = $event->isAllDay ? ['VALUE' => 'DATE'] : ['TZID' => $this->zone];
        $format = $event->isAllDay ? 'Ymd' : 'Ymd\THis';
        $component->add('DTSTART', gmdate($format, $event->starts * 60), $of);
        $component->add('DTEND', gmdate($format, ($event->starts + $event->lasts) * 60), $of);
        if ($event->rule !== null) {
            $component->add('RRULE', $event->rule);
        }
        if ($event->moreDays !== []) {
            $component->add(
                'RDATE',
                array_map(
                    static fn (int $day): string => gmdate($format, $day * 86_400 + $event->from() * 60),
                    $event->moreDays,
                ),
                $of,
            );
        }
        if ($event->categories !== []) {
            $component->add('CATEGORIES', $event->categories);
        }
        $component->add('TRANSP', 'TRANSPARENT');
    }

    /**
     * The package was written before PHP 8.2 and says so at every class that is loaded.
     *
     * @template T
     *
     * @param  callable(): T  $work
     * @return T
     */
    private static function withoutDeprecations(callable $work): mixed
    {
        set_error_handler(static fn (): bool => true, E_DEPRECATED | E_USER_DEPRECATED);
        try {
            return $work();
        } finally {
            restore_error_handler();
        }
    }
}
