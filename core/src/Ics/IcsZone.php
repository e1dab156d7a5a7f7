<?php

declare(strict_types=1);

namespace Jaunty\Core\Ics;

use Jaunty\Core\Hours\ZoneClock;

/**
 * A time zone as RFC 5545 section 3.6.5 writes it: each pair of offsets an observance, with the dates on which it
 * begins.
 */
final class IcsZone
{
    /**
     * @param  int  $from  seconds since 1970; what held then is told too
     * @return list<array{name: string, properties: array<string, mixed>}> STANDARD and DAYLIGHT components
     */
    public static function observances(string $zone, int $from, int $until): array
    {
        $clock = ZoneClock::of($zone);
        $before = $clock->offsetAt($from);
        $changes = [[$from, $before, $before]];
        foreach ($clock->changesBetween($from, $until) as $instant) {
            $offset = $clock->offsetAt($instant);
            $changes[] = [$instant, $before, $offset];
            $before = $offset;
        }
        $onsets = [];
        $first = [];
        foreach ($changes as [$instant, $old, $new]) {
            // Onset is told in the wall time that ends (section 3.6.5: "with respect to the UTC offset specified by
            // TZOFFSETFROM").
            $onsets["{$old} {$new}"][] = gmdate('Ymd\THis', $instant + $old);
            $first["{$old} {$new}"] ??= [$instant, $old, $new];
        }

        return array_map(static fn (array $change, array $dates): array => [
            'name' => self::isSummer($zone, $change[0]) ? 'DAYLIGHT' : 'STANDARD',
            'properties' => [
                'DTSTART' => $dates[0],
                'TZOFFSETFROM' => self::offset($change[1]),
                'TZOFFSETTO' => self::offset($change[2]),
            ]
                + (count($dates) > 1 ? ['RDATE' => array_slice($dates, 1)] : []),
        ], array_values($first), array_values($onsets));
    }

    private static function isSummer(string $zone, int $instant): bool
    {
        return (new \DateTimeImmutable("@{$instant}"))->setTimezone(new \DateTimeZone($zone))->format('I') === '1';
    }

    private static function offset(int $seconds): string
    {
        $minutes = intdiv(abs($seconds), 60);

        return sprintf('%s%02d%02d', $seconds < 0 ? '-' : '+', intdiv($minutes, 60), $minutes % 60);
    }
}
