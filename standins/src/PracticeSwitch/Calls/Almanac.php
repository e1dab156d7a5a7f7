<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

/** The feasts of one almanac, and which of them owns a day. */
final readonly class Almanac
{
    private const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];

    private const FRIDAY = 4;

    public function __construct(private Part $body)
    {
    }

    /** @return ?string the slot of the feast that owns the day */
    public function feastOn(int $day): ?string
    {
        // A feast moved from the last days of a year lands in the next.
        $year = (int) gmdate('Y', $day * 86_400);

        return $this->owners($year - 1, $year + 1)[$day] ?? null;
    }

    /** @return array<int, string> slot by day */
    private function owners(int $from, int $to): array
    {
        $own = [];
        $moved = [];
        foreach ($this->body->parts('feasts') as $place => $feast) {
            $slot = $feast->text('slot') ?? '';
            for ($year = $from; $year <= $to; $year++) {
                $day = $this->dayIn($feast, $year);
                if ($day === null) {
                    continue;
                }
                $isWeekend = Clock::weekday($day) > self::FRIDAY;
                $moves = $isWeekend && in_array($feast->text('moved'), ['yes', 'both'], true);
                if (! $moves || $feast->text('moved') === 'both') {
                    $own[$day] ??= $slot;
                }
                if ($moves) {
                    $moved[] = [$day, $place, $slot];
                }
            }
        }
        sort($moved);
        foreach ($moved as [$day, , $slot]) {
            do {
                $day++;
            } while (Clock::weekday($day) > self::FRIDAY || isset($own[$day]));
            $own[$day] = $slot;
        }

        return $own;
    }

    private function dayIn(Part $feast, int $year): ?int
    {
        $date = $feast->count('on');
        if ($date !== null) {
            return intdiv($date, 10_000) === $year ? Clock::dayNumber($date) : null;
        }
        $yearly = $feast->part('yearly') ?? new Part([]);
        $fixed = $yearly->text('day');
        if ($fixed !== null) {
            [$month, $dayOfMonth] = array_map(intval(...), explode('-', $fixed));

            return checkdate($month, $dayOfMonth, $year)
                ? Clock::dayNumber($year * 10_000 + $month * 100 + $dayOfMonth)
                : null;
        }
        if ($yearly->count('easter') !== null) {
            return self::easter($year) + $yearly->number('easter');
        }
        $month = $yearly->number('month', 1);
        $weekday = (int) array_search($yearly->text('weekday'), self::WEEKDAYS, true);
        $days = [];
        for ($dayOfMonth = 1; checkdate($month, $dayOfMonth, $year); $dayOfMonth++) {
            $day = Clock::dayNumber($year * 10_000 + $month * 100 + $dayOfMonth);
            if (Clock::weekday($day) === $weekday) {
                $days[] = $day;
            }
        }

        return $yearly->count('nth') === null ? $days[count($days) - 1] : $days[$yearly->number('nth') - 1] ?? null;
    }

    /** Easter Sunday by golden number and dominical letter, as the tables of the Gregorian calendar of 1582 give it. */
    private static function easter(int $year): int
    {
        $golden = $year % 19 + 1;
        $century = intdiv($year, 100) + 1;
        $leapsDropped = intdiv(3 * $century, 4) - 12;
        $moonCorrection = intdiv(8 * $century + 5, 25) - 5;
        $sunday = intdiv(5 * $year, 4) - $leapsDropped - 10;
        $epact = (11 * $golden + 20 + $moonCorrection - $leapsDropped) % 30;
        if (($epact === 25 && $golden > 11) || $epact === 24) {
            $epact++;
        }
        $full = 44 - $epact + ($epact > 23 ? 30 : 0);
        $march = $full + 7 - ($sunday + $full) % 7;

        return Clock::dayNumber($year * 10_000 + 301) + $march - 1;
    }
}
