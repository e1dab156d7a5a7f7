<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/**
 * A recurrence of dates, as RFC 5545 section 3.3.10 writes it. Only dates recur here, so parts of a day are refused.
 */
final readonly class RecurrenceRule
{
    public const WEEKDAYS = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'];

    /**
     * @param  'YEARLY'|'MONTHLY'|'WEEKLY'|'DAILY'  $freq
     * @param  ?string  $until  a date
     * @param  list<int>  $byMonth
     * @param  list<int>  $byWeekNo
     * @param  list<int>  $byYearDay
     * @param  list<int>  $byMonthDay
     * @param  list<array{int, int}>  $byDay  ordinal (0 for every) and weekday (0 is Monday)
     * @param  list<int>  $bySetPos
     * @param  int  $weekStart  0 is Monday
     */
    private function __construct(
        public string $freq,
        public int $interval,
        public ?int $count,
        public ?string $until,
        public array $byMonth,
        public array $byWeekNo,
        public array $byYearDay,
        public array $byMonthDay,
        public array $byDay,
        public array $bySetPos,
        public int $weekStart,
    ) {
    }

    /** @throws UnusableBook naming $path and the part at fault */
    public static function parse(string $text, string $path): self
    {
        $parts = [];
        foreach (explode(';', strtoupper(trim($text))) as $part) {
            [$name, $value] = explode('=', $part, 2) + [1 => ''];
            if ($value === '' || isset($parts[$name])) {
                throw UnusableBook::malformed($path, 'a recurrence rule (RFC 5545 section 3.3.10)', $part);
            }
            $parts[$name] = $value;
        }
        $freq = $parts['FREQ'] ?? throw UnusableBook::malformed($path, 'a recurrence rule with its FREQ', $text);
        if (! in_array($freq, ['YEARLY', 'MONTHLY', 'WEEKLY', 'DAILY'], true)) {
            throw UnusableBook::notOneOf($path, $freq, ['YEARLY', 'MONTHLY', 'WEEKLY', 'DAILY']);
        }
        $known = [
            'FREQ', 'INTERVAL', 'COUNT', 'UNTIL', 'BYMONTH', 'BYWEEKNO', 'BYYEARDAY', 'BYMONTHDAY', 'BYDAY', 'BYSETPOS',
            'WKST',
        ];
        foreach (array_keys($parts) as $name) {
            if (! in_array($name, $known, true)) {
                throw UnusableBook::malformed($path, 'a part of a recurrence of dates', $name);
            }
        }
        if (isset($parts['COUNT'], $parts['UNTIL'])) {
            throw UnusableBook::malformed($path, 'a rule with COUNT or UNTIL, not both', $text);
        }
        $byDay = self::days($parts['BYDAY'] ?? null, $path);
        if (
            ($freq === 'WEEKLY' || $freq === 'DAILY' || isset($parts['BYWEEKNO']))
            && array_filter($byDay, static fn (array $day): bool => $day[0] !== 0) !== []
        ) {
            throw UnusableBook::malformed($path, "allowed with {$freq}: ordinals of BYDAY", $parts['BYDAY'] ?? '');
        }
        if (
            isset($parts['BYWEEKNO']) && $freq !== 'YEARLY'
            || isset($parts['BYYEARDAY']) && $freq !== 'YEARLY'
            || isset($parts['BYMONTHDAY']) && $freq === 'WEEKLY'
        ) {
            throw UnusableBook::malformed($path, "a set of parts that go with {$freq}", $text);
        }
        $bySetPos = self::numbers($parts, 'BYSETPOS', 366, true, $path);
        if (
            $bySetPos !== [] && array_intersect_key($parts, array_flip(
                ['BYMONTH', 'BYWEEKNO', 'BYYEARDAY', 'BYMONTHDAY', 'BYDAY'],
            )) === []
        ) {
            throw UnusableBook::malformed($path, 'a BYSETPOS with something to choose from', $text);
        }

        return new self(
            freq: $freq,
            interval: self::whole($parts['INTERVAL'] ?? '1', 1, 10_000, $path),
            count: isset($parts['COUNT']) ? self::whole($parts['COUNT'], 1, 100_000, $path) : null,
            until: isset($parts['UNTIL']) ? self::until($parts['UNTIL'], $path) : null,
            byMonth: self::numbers($parts, 'BYMONTH', 12, false, $path),
            byWeekNo: self::numbers($parts, 'BYWEEKNO', 53, true, $path),
            byYearDay: self::numbers($parts, 'BYYEARDAY', 366, true, $path),
            byMonthDay: self::numbers($parts, 'BYMONTHDAY', 31, true, $path),
            byDay: $byDay,
            bySetPos: $bySetPos,
            weekStart: isset($parts['WKST']) ? self::weekday($parts['WKST'], $path) : 0,
        );
    }

    /**
     * @param  array<string, string>  $parts
     * @return list<int>
     */
    private static function numbers(array $parts, string $name, int $most, bool $mayBeNegative, string $path): array
    {
        if (! isset($parts[$name])) {
            return [];
        }
        $numbers = [];
        foreach (explode(',', $parts[$name]) as $text) {
            if (preg_match('/^[+-]?\d{1,3}$/D', $text) !== 1 || (int) $text === 0 || abs((int) $text) > $most || (
                (int) $text < 0 && ! $mayBeNegative
            )) {
                throw UnusableBook::malformed($path, "a value of {$name}", $text);
            }
            $numbers[] = (int) $text;
        }

        return $numbers;
    }

    /** @return list<array{int, int}> */
    private static function days(?string $text, string $path): array
    {
        $days = [];
        foreach ($text === null ? [] : explode(',', $text) as $part) {
            if (preg_match('/^([+-]?\d{1,2})?(MO|TU|WE|TH|FR|SA|SU)$/D', $part, $found) !== 1 || (
                $found[1] !== '' && ((int) $found[1] === 0 || abs((int) $found[1]) > 53)
            )) {
                throw UnusableBook::malformed($path, 'a day of BYDAY (MO, -1FR)', $part);
            }
            $days[] = [(int) $found[1], self::weekday($found[2], $path)];
        }

        return $days;
    }

    private static function weekday(string $text, string $path): int
    {
        $at = array_search($text, self::WEEKDAYS, true);

        return $at === false ? throw UnusableBook::notOneOf($path, $text, self::WEEKDAYS) : $at;
    }

    private static function whole(string $text, int $least, int $most, string $path): int
    {
        if (preg_match('/^\d{1,6}$/D', $text) !== 1 || (int) $text < $least || (int) $text > $most) {
            throw UnusableBook::malformed($path, "a whole number from {$least} to {$most}", $text);
        }

        return (int) $text;
    }

    private static function until(string $text, string $path): string
    {
        if (
            preg_match('/^(\d{4})(\d{2})(\d{2})(T\d{6}Z?)?$/D', $text, $found) !== 1
            || ! checkdate((int) $found[2], (int) $found[3], (int) $found[1])
        ) {
            throw UnusableBook::malformed($path, 'an UNTIL (20261231)', $text);
        }

        return "{$found[1]}-{$found[2]}-{$found[3]}";
    }
}
