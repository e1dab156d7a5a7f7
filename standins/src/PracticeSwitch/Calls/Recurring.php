<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

use Standins\Shared\Refusal;

/** The days of a recurrence rule of RFC 5545 section 3.3.10, looked at one by one from its first. */
final readonly class Recurring
{
    private const DAYS = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'];

    private const MOST_DAYS = 40_000;

    /** @param array<string, string> $parts */
    private function __construct(private array $parts)
    {
    }

    /** @throws Refusal 422 on a part this switch does not read */
    public static function parse(string $rule): self
    {
        $parts = [];
        foreach (explode(';', strtoupper($rule)) as $part) {
            [$name, $value] = explode('=', $part, 2) + [1 => ''];
            if (! in_array(
                $name,
                [
                    'FREQ', 'INTERVAL', 'COUNT', 'UNTIL', 'BYMONTH', 'BYMONTHDAY', 'BYDAY', 'BYYEARDAY', 'BYWEEKNO',
                    'BYSETPOS', 'WKST',
                ],
                true,
            )) {
                throw new Refusal(422, "this switch does not read {$name} of a recurrence", 'again');
            }
            $parts[$name] = $value;
        }

        return new self($parts);
    }

    public function hasDay(int $first, int $day): bool
    {
        if ($day < $first || $day - $first > self::MOST_DAYS) {
            return false;
        }
        $until = isset($this->parts['UNTIL'])
            ? Clock::dayNumber((int) substr($this->parts['UNTIL'], 0, 8))
            : PHP_INT_MAX;
        $isOne = $day <= $until && $this->isCandidate($first, $day) && $this->isChosen($first, $day);
        if (! $isOne || ! isset($this->parts['COUNT'])) {
            return $isOne;
        }
        $before = 0;
        for ($look = $first; $look < $day; $look++) {
            $before += $this->isCandidate($first, $look) && $this->isChosen($first, $look) ? 1 : 0;
        }

        return $before < (int) $this->parts['COUNT'];
    }

    /** Whether a day meets everything but the choice among the days of its turn. */
    private function isCandidate(int $first, int $day): bool
    {
        $interval = max(1, (int) ($this->parts['INTERVAL'] ?? 1));
        if (($this->turn($day) - $this->turn($first)) % $interval !== 0) {
            return false;
        }
        [$month, $dayOfMonth] = self::inYear($day);
        $months = $this->numbers('BYMONTH');
        $daysOfMonth = $this->numbers('BYMONTHDAY');
        $days = $this->parts['BYDAY'] ?? null;
        $freq = $this->parts['FREQ'] ?? '';
        $daysOfYear = $this->numbers('BYYEARDAY');
        $weeks = $this->numbers('BYWEEKNO');
        // What the rule leaves open is as on the first day.
        if ($weeks !== [] && $days === null) {
            $days = self::DAYS[Clock::weekday($first)];
        }
        if ($months === [] && $freq === 'YEARLY' && $daysOfMonth === [] && $days === null && $daysOfYear === []) {
            $months = [self::inYear($first)[0]];
        }
        if (
            $daysOfMonth === [] && $days === null && $daysOfYear === [] && in_array($freq, ['YEARLY', 'MONTHLY'], true)
        ) {
            $daysOfMonth = [self::inYear($first)[1]];
        }
        if ($days === null && $freq === 'WEEKLY') {
            $days = self::DAYS[Clock::weekday($first)];
        }

        return ($months === [] || in_array($month, $months, true))
            && ($daysOfMonth === [] || $this->isAt($daysOfMonth, $dayOfMonth, self::monthLength($day)))
            && ($daysOfYear === [] || $this->isAt(
                $daysOfYear,
                (int) gmdate('z', $day * 86_400) + 1,
                gmdate('L', $day * 86_400) === '1' ? 366 : 365,
            ))
            && ($weeks === [] || in_array((int) gmdate('W', $day * 86_400), $weeks, true))
            && ($days === null || $this->isOneOf(explode(',', $days), $day));
    }

    /** @param list<int> $places counted from the first, or below zero from the last */
    private function isAt(array $places, int $place, int $length): bool
    {
        return in_array($place, $places, true) || in_array($place - $length - 1, $places, true);
    }

    private function isChosen(int $first, int $day): bool
    {
        $places = $this->numbers('BYSETPOS');
        if ($places === []) {
            return true;
        }
        $turn = [];
        $reach = ['YEARLY' => 366, 'MONTHLY' => 31, 'WEEKLY' => 7][$this->parts['FREQ'] ?? ''] ?? 0;
        for ($look = $day - $reach; $look <= $day + $reach; $look++) {
            if ($this->turn($look) === $this->turn($day) && $this->isCandidate($first, $look)) {
                $turn[] = $look;
            }
        }

        return $this->isAt($places, (int) array_search($day, $turn, true) + 1, count($turn));
    }

    /** The number of the year, month, week or day that the rule counts by. */
    private function turn(int $day): int
    {
        $weekBegins = (int) array_search($this->parts['WKST'] ?? 'MO', self::DAYS, true);

        return match ($this->parts['FREQ'] ?? '') {
            'YEARLY' => (int) gmdate('Y', $day * 86_400),
            'MONTHLY' => (int) gmdate('Y', $day * 86_400) * 12 + self::inYear($day)[0],
            'WEEKLY' => intdiv($day + 3 - $weekBegins, 7),
            'DAILY' => $day,
            default => throw new Refusal(422, 'a recurrence is yearly, monthly, weekly or daily', 'again'),
        };
    }

    /** @param list<string> $days such as MO, 1MO, -1FR */
    private function isOneOf(array $days, int $day): bool
    {
        foreach ($days as $spec) {
            if (substr($spec, -2) !== self::DAYS[Clock::weekday($day)]) {
                continue;
            }
            $nth = (int) substr($spec, 0, -2);
            [$place, $length] = $this->placeAndLength($day);
            if ($nth === 0 || $nth === intdiv($place - 1, 7) + 1 || -$nth === intdiv($length - $place, 7) + 1) {
                return true;
            }
        }

        return false;
    }

    /**
     * @return array{int, int} a day's place, and how many days there are: in its month, or in its year where the rule
     *     names no month
     */
    private function placeAndLength(int $day): array
    {
        if (($this->parts['FREQ'] ?? '') === 'YEARLY' && ! isset($this->parts['BYMONTH'])) {
            return [(int) gmdate('z', $day * 86_400) + 1, gmdate('L', $day * 86_400) === '1' ? 366 : 365];
        }

        return [self::inYear($day)[1], self::monthLength($day)];
    }

    /** @return array{int, int} month and day of the month */
    private static function inYear(int $day): array
    {
        $date = Clock::dateNumber($day);

        return [intdiv($date, 100) % 100, $date % 100];
    }

    private static function monthLength(int $day): int
    {
        return (int) gmdate('t', $day * 86_400);
    }

    /** @return list<int> */
    private function numbers(string $part): array
    {
        return array_map(intval(...), isset($this->parts[$part]) ? explode(',', $this->parts[$part]) : []);
    }
}
