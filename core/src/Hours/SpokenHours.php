<?php

declare(strict_types=1);

namespace Jaunty\Core\Hours;

use Jaunty\Core\Book\ClockTime;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\RecurrenceRule;
use Jaunty\Core\Book\Schedule;

/**
 * Opening hours as a customer says them: "Mon-Fri 8 to 5, lunch 12:30-1; Sat 9-1 till Christmas". Clauses are parted by
 * semicolons or lines. What was understood is said back in full, since 8 to 5 is a guess at which half of the day is
 * meant.
 *
 * @phpstan-import-type Week from Breaks
 */
final class SpokenHours
{
    private const DAYS = '(?:mon|tue|wed|thu|fri|sat|sun)[a-z]*';

    private const TIME = '(\d{1,2})(?:[:.h](\d{2}))?\s*(am|pm|a\.m\.|p\.m\.)?';

    private const GROUPS = [
        'weekdays' => [0, 1, 2, 3, 4], 'weekday' => [0, 1, 2, 3, 4], 'weekends' => [5, 6], 'weekend' => [5, 6],
        'daily' => [0, 1, 2, 3, 4, 5, 6], 'every day' => [0, 1, 2, 3, 4, 5, 6], 'all week' => [0, 1, 2, 3, 4, 5, 6],
    ];

    /** A break, with what may stand before it: `lunch`, `closed for lunch from`, `closed` before a time. */
    private const BREAK = '/^(?:(?:with|and|also|but) )?(?:(?:(?:closed|shut) )?(?:(?:for|over|at) '
        . ')?(?:lunch|break|pause|midday)\b(?: break)?(?: at| is)?|closed(?= \d))\s*/';

    private const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

    private const NOON = 720;

    private const MOST_TEXT = 2000;

    /** Nobody opens a business before this without saying so: 1 to 5 is the afternoon. */
    private const EARLIEST = 360;

    /** @var list<array{days: list<int>, from: int, to: int, until: ?int, isBroken: bool}> */
    private array $pieces = [];

    /** @var list<array{text: string, why: string}> */
    private array $faults = [];

    private function __construct(private readonly int $today)
    {
    }

    /**
     * @param  int  $today  days since 1970: what "till Christmas" counts from
     * @return array{schedule: ?array{weekly: Week, periods: list<array<string, mixed>>}, readAs: string,
     *     faults: list<array{text: string, why: string}>} the schedule's fields, unset where anything could not be read
     */
    public static function read(string $said, int $today): array
    {
        $self = new self($today);
        // A comma parts days where hours stand before it: `Mon-Thu 8 to 5, Fri 8 to 3`, and not `Mon, Wed 8 to 5`.
        $days = self::DAYS . '\b|' . implode('|', array_keys(self::GROUPS));
        $plain = PlainHours::of(mb_substr($said, 0, self::MOST_TEXT));
        foreach (
            self::parts(
                "/[;\n]+|(?<=\d|[ap]m|closed)\s*(?:,|\band\b)\s*(?=(?:{$days}))"
                    . "|\s*,?\s+(?=(?:except|but)\s+(?:{$days}))"
                    // A break is one of all that was said before it, and of none that has one of its own.
                    . '|\s*(?:,|\band\b)\s*(?=(?:(?:with|also|but) )?(?:lunch|break|pause|closed|shut)\b)/i',
                $plain->text,
            ) as $clause
        ) {
            $text = trim($clause, " \t\r.,");
            if ($text !== '') {
                $self->clause($text);
            }
        }
        if ($self->faults === [] && $self->pieces === []) {
            $self->faults[] = [
                'text' => trim($said),
                'why' => 'no days and hours were found; write such as Mon-Fri 8:00 to 17:00',
            ];
        }
        $fields = $self->faults === [] ? $self->fields() : null;

        return [
            'schedule' => $fields,
            'readAs' => $fields === null ? '' : $self->words($fields)
                . ($plain->keepsHolidays ? '; public holidays as the calendar has them' : ''),
            'faults' => $self->faults,
        ];
    }

    private function clause(string $text): void
    {
        $rest = self::turned(self::plain($text));
        $until = null;
        if (preg_match('/^(?:except|but)\s+(?:on\s+)?(.+)$/', $rest, $found) === 1) {
            $rest = self::turned($found[1]);
            $this->except(self::days($rest)[0] ?? []);
        }
        $rest = $this->withBeginning($rest);
        if ($rest === null) {
            $this->faults[] = [
                'text' => $text,
                'why' => 'no day before it says when it opens; write such as Fri 8 to 3',
            ];

            return;
        }
        if (preg_match('/\b(?:till|until|up to)\s+(.+)$/', $rest, $found) === 1) {
            $until = $this->date(trim($found[1]));
            if ($until === null) {
                $this->faults[] = [
                    'text' => $text,
                    'why' => "\"{$found[1]}\" is no date that is known here; write such as 24 Dec or 2026-12-24",
                ];

                return;
            }
            $rest = trim(substr($rest, 0, -strlen($found[0])));
        }
        $days = self::days($rest);
        if ($days === null && $this->breaksAll($rest)) {
            return;
        }
        if ($days === null) {
            $this->faults[] = ['text' => $text, 'why' => 'begins with no day; write such as Mon-Fri, Sat or weekdays'];

            return;
        }
        [$days, $rest] = $days;
        $breaks = [];
        $hours = [];
        foreach (self::parts('/\s*(?:,|\band\b|\+)\s*/', $rest) as $part) {
            $isBreak = preg_match(self::BREAK, $part, $found) === 1;
            $span = self::span($isBreak ? substr($part, strlen($found[0])) : $part);
            if ($span === 'closed') {
                continue;
            }
            if ($span === null) {
                $this->faults[] = [
                    'text' => $text,
                    'why' => "\"{$part}\" is no time of day; write such as 8 to 5 or 08:00-17:00",
                ];

                return;
            }
            $isBreak ? $breaks[] = $span : $hours[] = $span;
        }
        foreach (self::without($hours, $breaks) as [$from, $to]) {
            $this->pieces[] = [
                'days' => $days, 'from' => $from, 'to' => $to, 'until' => $until, 'isBroken' => $breaks !== [],
            ];
        }
        if ($hours === [] && $breaks === [] && ! str_contains($rest, 'closed') && ! str_contains($text, 'except')) {
            $this->faults[] = ['text' => $text, 'why' => 'names days but no hours'];
        }
    }

    /** What is said with the hours first, with the days first: `9-5 mon to fri`, `closed on sundays`. */
    private static function turned(string $said): string
    {
        $days = '(?:on\s+)?((?:' . self::DAYS . '|' . implode('|', array_keys(self::GROUPS)) . ')(?:\b.*)?)';
        $time = self::TIME . '\s*(?:-|to|till|until)\s*' . self::TIME;

        return preg_match("/^({$time}|closed)\s*,?\s*{$days}$/", $said, $found, PREG_UNMATCHED_AS_NULL) === 1
            && preg_match('/\d/', (string) end($found)) !== 1
            ? end($found) . " {$found[1]}"
            : $said;
    }

    /** @param list<int> $days of which something else is said now */
    private function except(array $days): void
    {
        $pieces = [];
        foreach ($this->pieces as $piece) {
            $left = array_values(array_diff($piece['days'], $days));
            if ($left !== []) {
                $pieces[] = ['days' => $left] + $piece;
            }
        }
        $this->pieces = $pieces;
    }

    /** An end alone begins as the day before it did: `mon-thu 8 to 5, fri till 3`. Null where none is known. */
    private function withBeginning(string $said): ?string
    {
        if (preg_match('/^(.*?)\s*\b(?:till|until|up to|to)\s+(' . self::TIME . ')$/', $said, $found) !== 1
            || preg_match('/\d/', $found[1]) === 1) {
            return $said;
        }
        $days = $this->pieces === [] ? [] : end($this->pieces)['days'];
        $before = array_values(array_filter(
            $this->pieces,
            static fn (array $piece): bool => $piece['days'] === $days,
        ));

        return $before === [] ? null : "{$found[1]} " . ClockTime::text($before[0]['from']) . " to {$found[2]}";
    }

    /** A break of no day's own is one of every day said before it that has none yet. */
    private function breaksAll(string $said): bool
    {
        $said = (string) preg_replace('/\s*\b(?:for (?:lunch|a break)|every day|each day|daily)$/', '', $said);
        $span = preg_match(self::BREAK, $said, $found) === 1 ? self::span(substr($said, strlen($found[0]))) : null;
        if (! is_array($span) || $this->pieces === []) {
            return false;
        }
        $isFirst = array_filter($this->pieces, static fn (array $piece): bool => ! $piece['isBroken']) !== [];
        $pieces = [];
        foreach ($this->pieces as $piece) {
            if ($isFirst && $piece['isBroken']) {
                $pieces[] = $piece;

                continue;
            }
            $piece['isBroken'] = true;
            foreach (self::without([[$piece['from'], $piece['to']]], [$span]) as [$from, $to]) {
                $pieces[] = ['from' => $from, 'to' => $to] + $piece;
            }
        }
        $this->pieces = $pieces;

        return true;
    }

    /** @return list<string> */
    private static function parts(string $between, string $text): array
    {
        $parts = preg_split($between, $text, flags: PREG_SPLIT_NO_EMPTY);

        return $parts === false ? [] : $parts;
    }

    private static function plain(string $text): string
    {
        return trim((string) preg_replace(
            ['/[–—−]/u', '/\s+/', '/\b(?:from|open|the)\b/'],
            ['-', ' ', ''],
            mb_strtolower($text),
        ));
    }

    /** @return ?array{list<int>, string} the days a clause begins with, and the rest of it */
    private static function days(string $text): ?array
    {
        foreach (self::GROUPS as $word => $days) {
            if (str_starts_with($text, $word)) {
                return [$days, trim(substr($text, strlen($word)), ' :')];
            }
        }
        $one = self::DAYS;
        if (preg_match("/^({$one}(?:\s*(?:-|to|through|,|and|&|\/)\s*{$one})*)\s*:?\s*(.*)$/", $text, $found) !== 1) {
            return null;
        }
        $days = [];
        preg_match_all("/({$one})(?:\s*(-|to|through)\s*({$one}))?/", $found[1], $parts, PREG_SET_ORDER);
        foreach ($parts as $part) {
            $first = (int) array_search(substr($part[1], 0, 3), ClockTime::DAYS, true);
            $last = isset($part[3]) ? (int) array_search(substr($part[3], 0, 3), ClockTime::DAYS, true) : $first;
            for ($day = $first; ; $day = ($day + 1) % 7) {
                $days[] = $day;
                if ($day === $last) {
                    break;
                }
            }
        }
        sort($days);

        return [array_values(array_unique($days)), trim($found[2])];
    }

    /** @return array{int, int}|'closed'|null minutes since midnight */
    private static function span(string $text): array|string|null
    {
        $text = trim($text, ' :');
        if ($text === 'closed') {
            return 'closed';
        }
        if (in_array($text, ['24 hours', '24h', 'all day', 'round clock'], true)) {
            return [0, LocalDate::MINUTES];
        }
        if (
            preg_match(
                '/^' . self::TIME . '\s*(?:-|to|till|until)\s*' . self::TIME . '$/',
                $text,
                $found,
                PREG_UNMATCHED_AS_NULL,
            ) !== 1
        ) {
            return null;
        }
        if ((int) $found[1] > 24 || (int) $found[4] > 24 || (int) $found[2] > 59 || (int) $found[5] > 59) {
            return null;
        }
        $from = self::minutes($found[1], (string) $found[2], (string) $found[3]);
        $to = self::minutes($found[4], (string) $found[5], (string) $found[6]);
        if ($found[3] === null && strlen($found[1]) === 1 && $from < self::EARLIEST) {
            $from += self::NOON;
        }
        if ($found[6] === null && strlen($found[4]) === 1 && $to <= $from) {
            $to += self::NOON;
        }

        // An end before the beginning is the next morning's, and no later than noon.
        return $to > $from || $to <= $from && $to < self::NOON ? [$from, $to] : null;
    }

    private static function minutes(string $hour, string $minute, string $half): int
    {
        $hours = (int) $hour % ($half === '' ? 25 : 12) + (str_starts_with($half, 'p') ? 12 : 0);

        return $hours * 60 + (int) $minute;
    }

    /** @return ?int days since 1970 */
    private function date(string $text): ?int
    {
        [$year] = LocalDate::parts($this->today);
        $soon = fn (int $month, int $day): int => LocalDate::of($year, $month, $day) >= $this->today
            ? LocalDate::of($year, $month, $day)
            : LocalDate::of($year + 1, $month, $day);
        if (str_starts_with($text, 'christmas')) {
            return $soon(12, 24);
        }
        if (str_starts_with($text, 'new year')) {
            return $soon(12, 31);
        }
        if (str_starts_with($text, 'easter')) {
            $easter = LocalDate::easter($year);

            return ($easter > $this->today ? $easter : LocalDate::easter($year + 1)) - 1;
        }
        if (preg_match('/^(\d{4})-(\d{2})-(\d{2})$/D', $text, $found) === 1) {
            return checkdate((int) $found[2], (int) $found[3], (int) $found[1])
                ? LocalDate::of((int) $found[1], (int) $found[2], (int) $found[3])
                : null;
        }
        $months = implode('|', self::MONTHS);
        if (
            preg_match(
                "/^(?:(\d{1,2})(?:st|nd|rd|th)? ({$months})[a-z]*|({$months})[a-z]* "
                    . "(\d{1,2})(?:st|nd|rd|th)?)(?:,? (\d{4}))?$/D",
                $text,
                $found,
                PREG_UNMATCHED_AS_NULL,
            ) !== 1
        ) {
            return null;
        }
        $day = (int) ($found[1] ?? $found[4]);
        $month = (int) array_search($found[2] ?? $found[3], self::MONTHS, true) + 1;
        if (! checkdate($month, $day, (int) ($found[5] ?? 2028))) {
            return null;
        }

        return isset($found[5]) ? LocalDate::of((int) $found[5], $month, $day) : $soon($month, $day);
    }

    /**
     * @param  list<array{int, int}>  $hours
     * @param  list<array{int, int}>  $breaks
     * @return list<array{int, int}>
     */
    private static function without(array $hours, array $breaks): array
    {
        foreach ($breaks as [$from, $to]) {
            $left = [];
            foreach ($hours as [$begin, $end]) {
                $last = $end <= $begin ? $end + LocalDate::MINUTES : $end;
                if ($to <= $begin || $from >= $last) {
                    $left[] = [$begin, $end];

                    continue;
                }
                if ($from > $begin) {
                    $left[] = [$begin, $from];
                }
                if ($to < $last) {
                    $left[] = [$to, $end];
                }
            }
            $hours = $left;
        }

        return $hours;
    }

    /** @return array{weekly: Week, periods: list<array<string, mixed>>} */
    private function fields(): array
    {
        $weekly = [];
        $periods = [];
        foreach ($this->pieces as $piece) {
            $names = array_map(static fn (int $day): string => ClockTime::DAYS[$day], $piece['days']);
            $hours = ['days' => $names, 'from' => ClockTime::text($piece['from']), 'to' => ClockTime::text(
                $piece['to'],
            )];
            if ($piece['until'] === null) {
                $weekly[] = ['item' => 'hours-' . (count($weekly) + 1)] + $hours;

                continue;
            }
            // Hours that end some day are those of a period: the weeks after it are as the rest of the week says.
            $by = implode(
                ',',
                array_map(static fn (int $day): string => RecurrenceRule::WEEKDAYS[$day], $piece['days']),
            );
            $rule = "FREQ=WEEKLY;UNTIL=" . str_replace('-', '', LocalDate::text($piece['until'])) . ";BYDAY={$by}";
            $first = $this->today;
            while (! in_array(LocalDate::weekday($first), $piece['days'], true)) {
                $first++;
            }
            $key = "{$rule} {$first}";
            $periods[$key] ??= [
                'item' => 'until-' . (count($periods) + 1), 'name' => 'Until ' . LocalDate::text($piece['until']),
                'from' => LocalDate::text($first), 'rrule' => $rule, 'weekly' => [],
            ];
            $periods[$key]['weekly'][] = ['item' => 'hours-' . (count($periods[$key]['weekly']) + 1)] + $hours;
        }

        return ['weekly' => $weekly, 'periods' => array_values($periods)];
    }

    /** @param array{weekly: list<array<string, mixed>>, periods: list<array<string, mixed>>} $fields */
    private function words(array $fields): string
    {
        $schedule = Schedule::read(Node::of(['key' => 'said'] + $fields));
        $words = $fields['weekly'] === [] ? [] : [WeekPattern::of($schedule->weekly)->words()];
        foreach ($schedule->periods as $period) {
            $words[] = lcfirst($period->name) . ': ' . WeekPattern::of($period->weekly)->words();
        }

        return implode('; ', $words);
    }
}
