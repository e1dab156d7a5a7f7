<?php

declare(strict_types=1);

namespace Jaunty\Core\Hours;

/**
 * The breaks within the days of a week's hours: from the end of one span to the beginning of the next on the same day,
 * such as lunch. What lies before the first and after the last is no break.
 *
 * @phpstan-type Week list<array{item: string, days: list<string>, from: string, to: string}>
 */
final class Breaks
{
    /**
     * @param  Week  $weekly
     * @return Week the breaks alone, as hours in which they last
     */
    public static function of(array $weekly): array
    {
        $breaks = [];
        foreach (self::byDay($weekly) as $day => $spans) {
            foreach (array_slice($spans, 1) as $place => [$from]) {
                $ended = $spans[$place][1];
                if ($ended > $spans[$place][0] && $ended < $from) {
                    $breaks["{$ended} {$from}"][] = $day;
                }
            }
        }

        return self::week($breaks, 'break');
    }

    /**
     * @param  Week  $weekly
     * @return Week the hours with their breaks in them: from the first opening of a day to its last closing
     */
    public static function filled(array $weekly): array
    {
        $days = [];
        foreach (self::byDay($weekly) as $day => $spans) {
            $days["{$spans[0][0]} {$spans[count($spans) - 1][1]}"][] = $day;
        }

        return self::week($days, 'hours');
    }

    /**
     * @param  Week  $weekly
     * @return array<string, non-empty-list<array{string, string}>> from and to, by day, the earliest first
     */
    private static function byDay(array $weekly): array
    {
        $days = [];
        foreach ($weekly as ['days' => $of, 'from' => $from, 'to' => $to]) {
            foreach ($of as $day) {
                $days[$day][] = [$from, $to];
            }
        }

        return array_map(static function (array $spans): array {
            sort($spans);

            return $spans;
        }, $days);
    }

    /**
     * @param  array<string, list<string>>  $days  by from and to
     * @return Week
     */
    private static function week(array $days, string $called): array
    {
        $week = [];
        foreach ($days as $span => $of) {
            [$from, $to] = explode(' ', $span);
            $week[] = ['item' => $called . '-' . count($week) + 1, 'days' => $of, 'from' => $from, 'to' => $to];
        }

        return $week;
    }
}
