<?php

declare(strict_types=1);

namespace Jaunty\Core\Hours;

/** Stretches of time in words: what comes back by weekday and hour first, then single dates. */
final class Occasions
{
    private const DAY_SECONDS = 86_400;

    private const MOST_DATES = 3;

    /**
     * @param  list<array{int, int}>  $stretches  from and to (exclusive), ascending
     * @param  int  $from  of the horizon
     */
    public static function words(array $stretches, int $from, int $until, ZoneClock $zone): string
    {
        $stretches = self::joined($stretches);
        if ($stretches === [[$from, $until]]) {
            return 'at all times';
        }
        $byHours = [];
        foreach ($stretches as [$begin, $end]) {
            [$day, $beginAt] = self::local($zone, $begin);
            [$lastDay, $endAt] = self::local($zone, $end);
            $byHours[self::clock($beginAt) . ' ' . self::clock($endAt) . ' ' . (
                $lastDay - $day
            )][LocalDate::weekday($day)][] = $day;
        }
        $weeks = ($until - $from) / (7 * self::DAY_SECONDS);
        $often = [];
        $dates = [];
        foreach ($byHours as $hours => $byWeekday) {
            ksort($byWeekday);
            $weekdays = [];
            foreach ($byWeekday as $weekday => $days) {
                // Fewer than two, or than half of such days, are dates of their own.
                if (count($days) >= 2 && count($days) >= $weeks / 2) {
                    $weekdays[] = $weekday;
                } else {
                    foreach ($days as $day) {
                        $dates[$day] = self::span(
                            LocalDate::text($day),
                            $hours,
                            static fn (int $later): string => LocalDate::text($day + $later),
                        );
                    }
                }
            }
            foreach (self::runs($weekdays) as [$first, $last]) {
                $often[] = self::span(
                    LocalDate::DAYS[$first] . ($first === $last ? '' : ' to ' . LocalDate::DAYS[$last]),
                    $hours,
                    static fn (int $later): string => $first === $last
                        ? LocalDate::DAYS[($first + $later) % 7]
                        : ($later === 1 ? 'the next day' : "{$later} days later"),
                );
            }
        }
        ksort($dates);
        $more = count($dates) - self::MOST_DATES;

        return implode(', ', [...$often, ...array_slice($dates, 0, self::MOST_DATES), ...(
            $more > 0 ? ["{$more} more times"] : []
        )]);
    }

    /** @param callable(int): string $laterDay */
    private static function span(string $day, string $hours, callable $laterDay): string
    {
        [$begin, $end, $later] = explode(' ', $hours);

        return match (true) {
            $begin === '00:00' && $end === '00:00' && $later === '1' => "{$day} all day",
            $later === '0' => "{$day} {$begin} to {$end}",
            $later === '1' && $end === '00:00' => "{$day} {$begin} to 24:00",
            default => "{$day} {$begin} to {$laterDay((int) $later)} {$end}",
        };
    }

    /**
     * @param  list<array{int, int}>  $stretches
     * @return list<array{int, int}> those that touch as one
     */
    private static function joined(array $stretches): array
    {
        $joined = [];
        foreach ($stretches as [$begin, $end]) {
            $last = count($joined) - 1;
            if ($last >= 0 && $joined[$last][1] === $begin) {
                $joined[$last] = [$joined[$last][0], $end];
            } else {
                $joined[] = [$begin, $end];
            }
        }

        return $joined;
    }

    /**
     * @param  list<int>  $weekdays  ascending
     * @return list<array{int, int}> first and last of each run
     */
    private static function runs(array $weekdays): array
    {
        $runs = [];
        foreach ($weekdays as $weekday) {
            if ($runs !== [] && $runs[count($runs) - 1][1] === $weekday - 1) {
                $runs[count($runs) - 1][1] = $weekday;
            } else {
                $runs[] = [$weekday, $weekday];
            }
        }

        return $runs;
    }

    /** @return array{int, int} day and minutes into it */
    private static function local(ZoneClock $zone, int $instant): array
    {
        $minutes = $zone->localMinutes($instant);
        $day = (int) floor($minutes / LocalDate::MINUTES);

        return [$day, $minutes - $day * LocalDate::MINUTES];
    }

    private static function clock(int $minutes): string
    {
        return sprintf('%02d:%02d', intdiv($minutes, 60), $minutes % 60);
    }
}
