<?php

declare(strict_types=1);

namespace Jaunty\Core\Ics;

use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Hours\ZoneClock;
use Sabre\VObject\Component;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Component\VEvent;
use Sabre\VObject\Parameter;
use Sabre\VObject\Property;

/**
 * One parsed file on its way to events in one zone.
 *
 * @internal
 */
final class IcsParsing
{
    /** @var list<string> */
    private array $notes = [];

    private string $zone;

    public function __construct(private readonly VCalendar $calendar, string $zone)
    {
        $this->zone = $this->mainZone() ?? $zone;
    }

    /** @param list<string> $properties */
    public function file(array $properties, int $mostEvents): IcsFile
    {
        $components = $this->calendar->select('VEVENT');
        if (count($components) > $mostEvents) {
            throw UnusableIcs::tooMany(count($components), $mostEvents);
        }
        $events = [];
        foreach ($components as $component) {
            $event = $component instanceof VEvent ? $this->event($component) : null;
            if ($event !== null) {
                $events[] = $event;
            }
        }
        $header = [];
        foreach ($properties as $name) {
            $value = self::text($this->calendar, $name);
            if ($value !== null) {
                $header[$name] = $value;
            }
        }

        return new IcsFile($this->zone, $events, $header, $this->notes);
    }

    private function event(VEvent $component): ?IcsEvent
    {
        $name = self::text($component, 'SUMMARY') ?? '';
        $called = $name === '' ? 'An event without a name' : "\"{$name}\"";
        if (self::text($component, 'STATUS') === 'CANCELLED') {
            return null;
        }
        if (self::text($component, 'RECURRENCE-ID') !== null) {
            return $this->leave("{$called} moves one date of a series; enter that date as an exception");
        }
        $start = $component->select('DTSTART')[0] ?? null;
        $begins = $start instanceof Property
            ? $this->moment($start, $called, self::text($component, 'RRULE') !== null)
            : null;
        if ($begins === null) {
            return $start === null ? $this->leave("{$called} has no beginning (DTSTART)") : null;
        }
        [$starts, $isAllDay] = $begins;
        $lasts = $this->lasts($component, $starts, $isAllDay, $called);
        if ($lasts === null) {
            return null;
        }

        return new IcsEvent(
            self::text($component, 'UID') ?? '',
            $name,
            $starts,
            $lasts,
            $isAllDay,
            self::text($component, 'RRULE'),
            $this->moreDays($component, $called),
            $this->categories($component),
        );
    }

    /** @return ?array{int, bool} minutes on the wall, and whether it is a date */
    private function moment(Property $property, string $called, bool $recurs): ?array
    {
        $value = $property->getRawMimeDirValue();
        if (
            preg_match('/^(\d{4})(\d{2})(\d{2})(?:T(\d{2})(\d{2})(\d{2})(Z?))?$/D', $value, $found) !== 1
            || ! checkdate((int) $found[2], (int) $found[3], (int) $found[1])
        ) {
            return $this->leave("{$called}: \"{$value}\" is no date and no time");
        }
        $day = LocalDate::of((int) $found[1], (int) $found[2], (int) $found[3]);
        if (! isset($found[4], $found[5])) {
            return [$day * LocalDate::MINUTES, true];
        }
        $minutes = $day * LocalDate::MINUTES + (int) $found[4] * 60 + (int) $found[5];
        $of = self::zoneOf($property);
        $zone = ($found[7] ?? '') === 'Z' ? 'UTC' : ($of === null ? $this->zone : $this->zoneNamed($of));
        if ($zone === null) {
            return $this->leave("{$called}: the time zone \"{$of}\" is not known");
        }
        if ($zone === $this->zone) {
            return [$minutes, false];
        }
        if ($recurs) {
            return $this->leave(
                "{$called} recurs in {$zone}, the others are in {$this->zone}; hours of one schedule are in one zone",
            );
        }

        return [ZoneClock::of($this->zone)->localMinutes(ZoneClock::of($zone)->instantOf($minutes)), false];
    }

    private function lasts(VEvent $component, int $starts, bool $isAllDay, string $called): ?int
    {
        $end = $component->select('DTEND')[0] ?? null;
        if ($end instanceof Property) {
            $ends = $this->moment($end, $called, false);
            if ($ends === null) {
                return null;
            }

            return $ends[0] > $starts && $ends[1] === $isAllDay
                ? $ends[0] - $starts
                : $this->leave("{$called} ends before it begins");
        }
        $duration = self::text($component, 'DURATION');
        if ($duration === null) {
            return $isAllDay ? LocalDate::MINUTES : $this->leave("{$called} has no end (DTEND or DURATION)");
        }
        if (
            preg_match(
                '/^\+?P(?:(\d{1,3})W|(?:(\d{1,4})D)?(?:T(?:(\d{1,4})H)?(?:(\d{1,5})M)?(?:\d+S)?)?)$/D',
                $duration,
                $found,
            ) !== 1
        ) {
            return $this->leave("{$called}: \"{$duration}\" is no duration");
        }
        $minutes = (int) $found[1] * 7 * LocalDate::MINUTES
            + (int) ($found[2] ?? 0) * LocalDate::MINUTES
            + (int) ($found[3] ?? 0) * 60
            + (int) ($found[4] ?? 0);

        return $minutes > 0 ? $minutes : $this->leave("{$called} takes no time");
    }

    /** @return list<int> */
    private function moreDays(VEvent $component, string $called): array
    {
        $days = [];
        foreach ($component->select('RDATE') as $property) {
            foreach ($property instanceof Property ? explode(',', $property->getRawMimeDirValue()) : [] as $value) {
                if (
                    preg_match('/^(\d{4})(\d{2})(\d{2})(T\d{6})?$/D', $value, $found) === 1
                    && checkdate((int) $found[2], (int) $found[3], (int) $found[1])
                ) {
                    $days[] = LocalDate::of((int) $found[1], (int) $found[2], (int) $found[3]);
                } else {
                    $this->notes[] = "{$called}: the further date \"{$value}\" is left out";
                }
            }
        }
        if ($component->select('EXDATE') !== []) {
            $this->notes[] = "{$called} leaves out single dates (EXDATE); enter those as exceptions";
        }
        sort($days);

        return $days;
    }

    /** @return list<string> */
    private function categories(VEvent $component): array
    {
        $categories = [];
        foreach ($component->select('CATEGORIES') as $property) {
            foreach ($property instanceof Property ? $property->getParts() : [] as $part) {
                $categories[] = is_string($part) ? $part : '';
            }
        }

        return $categories;
    }

    /** The zone most of the file is in: what it says of itself, else the first that an event names. */
    private function mainZone(): ?string
    {
        $own = self::text($this->calendar, 'X-WR-TIMEZONE');
        if ($own !== null && $this->zoneNamed($own) !== null) {
            return $this->zoneNamed($own);
        }
        foreach ($this->calendar->select('VEVENT') as $event) {
            $start = $event instanceof VEvent ? $event->select('DTSTART')[0] ?? null : null;
            $named = $start instanceof Property ? self::zoneOf($start) : null;
            $zone = $named === null ? null : $this->zoneNamed($named);
            if ($zone !== null) {
                return $zone;
            }
        }

        return null;
    }

    /** The zone of the tz database that a file means: by name, or by where its own definition says it lies. */
    private function zoneNamed(string $name): ?string
    {
        $known = static fn (string $zone): ?string => in_array(
            $zone,
            \DateTimeZone::listIdentifiers(\DateTimeZone::ALL_WITH_BC),
            true,
        )
            ? $zone
            : null;
        foreach ($known($name) === null ? $this->calendar->select('VTIMEZONE') : [] as $definition) {
            if ($definition instanceof Component && self::text($definition, 'TZID') === $name) {
                return $known(self::text($definition, 'X-LIC-LOCATION') ?? '');
            }
        }

        return $known($name);
    }

    private static function zoneOf(Property $property): ?string
    {
        $parameter = $property->parameters()['TZID'] ?? null;

        return $parameter instanceof Parameter ? (string) $parameter->getValue() : null;
    }

    private static function text(Component $of, string $name): ?string
    {
        $property = $of->select($name)[0] ?? null;

        return $property instanceof Property
            ? ($name === 'RRULE' ? $property->getRawMimeDirValue() : (string) $property)
            : null;
    }

    private function leave(string $why): null
    {
        $this->notes[] = $why;

        return null;
    }
}
