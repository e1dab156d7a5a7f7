<?php

declare(strict_types=1);

namespace Jaunty\Core\Hours;

/**
 * Holidays as a customer lists them, a line each, name and day in either order: `24 Dec 2026 Christmas Eve`, `Founders'
 * Day, 3 May`, `first Monday of August: Natal Day`, `Good Friday`. A day without a year comes every year.
 */
final class SpokenHolidays
{
    private const MONTHS = 'jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?'
        . '|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?';

    private const WEEKDAYS = 'mon(?:day)?|tue(?:s(?:day)?)?|wed(?:nesday)?|thu(?:rs(?:day)?)?'
        . '|fri(?:day)?|sat(?:urday)?|sun(?:day)?';

    private const NTH = [
        'first' => 1, '1st' => 1, 'second' => 2, '2nd' => 2, 'third' => 3, '3rd' => 3, 'fourth' => 4, '4th' => 4,
        'fifth' => 5, '5th' => 5, 'last' => null,
    ];

    /** Days from Easter Sunday of the feasts known by their names alone. */
    private const FEASTS = [
        'shrove tuesday' => -47, 'ash wednesday' => -46, 'maundy thursday' => -3, 'good friday' => -2,
        'easter sunday' => 0, 'easter monday' => 1, 'ascension day' => 39, 'whit monday' => 50,
    ];

    /**
     * @return array{holidays: list<array<string, mixed>>, faults: list<array{text: string, why: string}>} holidays as
     *     the tenant
     *         book writes them, without items; none where a line was not understood
     */
    public static function read(string $said): array
    {
        $holidays = [];
        $faults = [];
        foreach (explode("\n", str_replace(';', "\n", $said)) as $line) {
            $text = trim($line);
            if ($text === '') {
                continue;
            }
            $read = self::line($text);
            if (is_string($read)) {
                $faults[] = ['text' => $text, 'why' => $read];
            } else {
                $holidays[] = $read;
            }
        }
        if ($holidays === [] && $faults === []) {
            $faults[] = ['text' => '', 'why' => 'no holiday was found; write such as 24 Dec 2026 Christmas Eve'];
        }

        return ['holidays' => $faults === [] ? $holidays : [], 'faults' => $faults];
    }

    /** @return array<string, mixed>|string what was understood, or why not */
    private static function line(string $text): array|string
    {
        $feast = self::FEASTS[strtolower($text)] ?? null;
        if ($feast !== null) {
            return ['name' => $text, 'rule' => ['easter' => $feast]];
        }
        if (preg_match('#\b\d{1,2}/\d{1,2}(/\d{2,4})?\b#', $text, $found) === 1) {
            return "{$found[0]} may be read as two days; write such as 24 Dec or 2026-12-24";
        }
        [$words, $day] = self::dayIn($text) ?? [
            '',
            'has no day that is known here; write such as 24 Dec, 2026-12-24, the first '
                . 'Monday of August, or Good Friday',
        ];
        $name = trim((string) preg_replace('/\s+/', ' ', str_replace($words, ' ', $text)), " \t,:–—-");

        return match (true) {
            is_string($day) => $day,
            $name === '' => 'has a day and no name',
            default => ['name' => $name] + $day,
        };
    }

    /** @return ?array{string, array<string, mixed>|string} the words that say a day, and the day, or why it is none */
    private static function dayIn(string $text): ?array
    {
        $months = self::MONTHS;
        if (
            preg_match(
                '/\b(?:the )?('
                    . implode('|', array_keys(self::NTH))
                    . ') ('
                    . self::WEEKDAYS
                    . ") (?:of|in) ({$months})\b/i",
                $text,
                $found,
            ) === 1
        ) {
            $nth = self::NTH[strtolower($found[1])];

            return [$found[0], ['rule' => ($nth === null ? ['last' => true] : ['nth' => $nth]) + [
                'weekday' => strtolower(substr($found[2], 0, 3)),
                'month' => self::month($found[3]),
            ]]];
        }
        if (preg_match('/\b(\d{4})-(\d{2})-(\d{2})\b/', $text, $found) === 1) {
            return [$found[0], self::day($found[0], (int) $found[3], (int) $found[2], (int) $found[1])];
        }
        if (preg_match("/\b(\d{1,2})(?:st|nd|rd|th)? ({$months})\b\.?(?:,? (\d{4})\b)?/i", $text, $found) === 1) {
            return [$found[0], self::day($found[0], (int) $found[1], self::month($found[2]), (int) ($found[3] ?? 0))];
        }
        if (preg_match("/\b({$months})\b\.? (\d{1,2})(?:st|nd|rd|th)?\b(?:,? (\d{4})\b)?/i", $text, $found) === 1) {
            return [$found[0], self::day($found[0], (int) $found[2], self::month($found[1]), (int) ($found[3] ?? 0))];
        }

        return null;
    }

    private static function month(string $word): int
    {
        return (int) array_search(
            strtolower(substr($word, 0, 3)),
            ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'],
            true,
        )
            + 1;
    }

    /** @return array<string, mixed>|string a date, or the same day every year where no year is said */
    private static function day(string $said, int $day, int $month, int $year): array|string
    {
        // A day of every year may be 29 February.
        if (! checkdate($month, $day, $year === 0 ? 2024 : $year)) {
            return "there is no {$said}";
        }

        return $year === 0
            ? ['rule' => ['fixed' => sprintf('%02d-%02d', $month, $day)]]
            : ['date' => sprintf('%04d-%02d-%02d', $year, $month, $day)];
    }
}
