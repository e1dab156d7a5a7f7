<?php

declare(strict_types=1);

namespace Jaunty\Core\Hours;

use Jaunty\Core\Book\ClockTime;
use Jaunty\Core\Book\WeeklyPiece;

/** Weekly hours laid out on the seven days, each piece on the day it begins on. */
final readonly class WeekPattern
{
    private const WEEK = 10_080;

    /**
     * @param list<array{int, int, int, string}> $pieces weekday, from and to in minutes (past 1440 on the next day),
     *     and the item
     */
    private function __construct(private array $pieces)
    {
    }

    /** @param list<WeeklyPiece> $weekly */
    public static function of(array $weekly): self
    {
        $pieces = [];
        foreach ($weekly as $piece) {
            if ($piece->span === null) {
                foreach ($piece->days as $day) {
                    $pieces[] = [$day, ...self::interval($piece->from, $piece->to), $piece->item];
                }

                continue;
            }
            // Shorthand for one piece a day, cut at midnight; one that ends before it begins goes round the week's end.
            [$from, $to] = $piece->span;
            $to += $to <= $from ? self::WEEK : 0;
            for ($day = intdiv($from, LocalDate::MINUTES); $day * LocalDate::MINUTES < $to; $day++) {
                $start = $day * LocalDate::MINUTES;
                $pieces[] = [
                    $day % count(ClockTime::DAYS), max($from - $start, 0), min($to - $start, LocalDate::MINUTES),
                    $piece->item,
                ];
            }
        }

        return new self($pieces);
    }

    /** @return array{int, int} an end not later than the beginning lies on the next day */
    public static function interval(int $from, int $to): array
    {
        return [$from, $to <= $from ? $to + LocalDate::MINUTES : $to];
    }

    /** @return array<int, list<array{int, int}>> from and to by weekday, 0 being Monday */
    public function byWeekday(): array
    {
        $week = array_fill(0, count(LocalDate::DAYS), []);
        foreach ($this->pieces as [$day, $from, $to]) {
            $week[$day][] = [$from, $to];
        }

        return $week;
    }

    /** Minutes open in a week without exceptions, holidays and clock changes; what overlaps counts once. */
    public function minutes(): int
    {
        return array_sum(array_map(static fn (array $open): int => $open[1] - $open[0], $this->open()));
    }

    /**
     * @return list<array{one: string, other: string, from: string, to: string}> where two pieces claim the same time,
     *     in the week's order
     */
    public function overlaps(): array
    {
        $overlaps = [];
        foreach ($this->pieces as $index => [$day, $from, $to, $item]) {
            foreach (array_slice($this->pieces, $index + 1) as [$otherDay, $otherFrom, $otherTo, $other]) {
                // The week is a ring: a piece of Sunday night may meet one of Monday morning.
                foreach ([-self::WEEK, 0, self::WEEK] as $round) {
                    $begin = max(
                        $day * LocalDate::MINUTES + $from,
                        $otherDay * LocalDate::MINUTES + $otherFrom + $round,
                    );
                    $end = min($day * LocalDate::MINUTES + $to, $otherDay * LocalDate::MINUTES + $otherTo + $round);
                    if ($begin < $end) {
                        $overlaps[] = [self::onRing($begin), [
                            'one' => $item, 'other' => $other, 'from' => self::text($begin), 'to' => self::text($end),
                        ]];
                    }
                }
            }
        }
        sort($overlaps);

        return array_column($overlaps, 1);
    }

    /** As one says it: `Mon to Fri 08:00 to 17:00, Sat 09:00 to 13:00; 49 h a week`. */
    public function words(): string
    {
        $open = $this->open();
        if ($open === []) {
            return 'never open';
        }
        if ($this->minutes() === self::WEEK) {
            return 'round the clock, 168 h a week';
        }
        $byDay = [];
        foreach ($open as [$from, $to]) {
            $day = intdiv($from, LocalDate::MINUTES);
            $after = $to - $day * LocalDate::MINUTES;
            $byDay[$day][] = self::clock($from) . ' to ' . match (true) {
                $after <= LocalDate::MINUTES => self::clock($to, '24:00'),
                $after <= $from % LocalDate::MINUTES + LocalDate::MINUTES => self::clock($to) . ' the next day',
                default => self::text($to),
            };
        }
        $runs = [];
        foreach ($byDay as $day => $hours) {
            $last = count($runs) - 1;
            if ($last >= 0 && $runs[$last][1] === $day - 1 && $runs[$last][2] === $hours) {
                $runs[$last][1] = $day;
            } else {
                $runs[] = [$day, $day, $hours];
            }
        }
        $said = array_map(
            static fn (array $run): string => LocalDate::DAYS[$run[0]]
                . ($run[0] === $run[1] ? '' : ' to ' . LocalDate::DAYS[$run[1]])
                . ' '
                . implode(' and ', $run[2]),
            $runs,
        );
        $minutes = $this->minutes();

        return implode('; ', $said) . '; ' . intdiv($minutes, 60) . ' h' . (
            $minutes % 60 === 0 ? '' : ' ' . $minutes % 60 . ' min'
        ) . ' a week';
    }

    /**
     * @return list<array{int, int}> stretches of minutes of the week, ascending, none touching another; one may run
     *     past the week's end
     */
    private function open(): array
    {
        $stretches = [];
        foreach ($this->pieces as [$day, $from, $to]) {
            $begin = $day * LocalDate::MINUTES + $from;
            $end = $day * LocalDate::MINUTES + $to;
            $stretches[] = [$begin, min($end, self::WEEK)];
            if ($end > self::WEEK) {
                $stretches[] = [0, $end - self::WEEK];
            }
        }
        sort($stretches);
        $joined = [];
        foreach ($stretches as [$begin, $end]) {
            $last = count($joined) - 1;
            if ($last >= 0 && $joined[$last][1] >= $begin) {
                $joined[$last] = [$joined[$last][0], max($joined[$last][1], $end)];
            } else {
                $joined[] = [$begin, $end];
            }
        }
        $last = count($joined) - 1;
        if ($last > 0 && $joined[$last][1] === self::WEEK && $joined[0][0] === 0) {
            $joined[$last] = [$joined[$last][0], self::WEEK + $joined[0][1]];
            array_shift($joined);
        }

        return $joined;
    }

    private static function text(int $minutes): string
    {
        return LocalDate::DAYS[intdiv(self::onRing($minutes), LocalDate::MINUTES)] . ' ' . self::clock($minutes);
    }

    private static function clock(int $minutes, string $midnight = '00:00'): string
    {
        $clock = sprintf(
            '%02d:%02d',
            intdiv(self::onRing($minutes) % LocalDate::MINUTES, 60),
            self::onRing($minutes) % 60,
        );

        return $clock === '00:00' ? $midnight : $clock;
    }

    private static function onRing(int $minutes): int
    {
        return ($minutes % self::WEEK + self::WEEK) % self::WEEK;
    }
}
