<?php

declare(strict_types=1);

namespace Jaunty\Core\Sentences;

use Jaunty\Core\Hours\LocalDate;

/**
 * When a call is made, as people say it: `sat 10:00`, `25 dec 11:00`, `tomorrow 9am`, `2026-12-25`. What is not said is
 * the next time it comes round.
 *
 * @internal
 */
final class Moment
{
    private const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];

    private const LONG_DAYS = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'];

    private const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

    private ?int $day = null;

    private ?int $weekday = null;

    private ?int $minutes = null;

    /** Words behind a bare hour: where anything else comes, a number may be an extension or a key. */
    private const BEHIND_AN_HOUR = [
        '', 'from', 'press', 'presses', 'key', 'keys', 'and', 'while', 'when', 'everybody', 'everyone', 'all', 'site',
        'trunk', 'group', 'platform', 'leg',
    ];

    /** Nobody tries a call before this without saying so: `monday 3` is the afternoon. */
    private const EARLIEST_HOUR = 7;

    /** @param int $now minutes at the customer's, since 1970 */
    public function __construct(private readonly int $now)
    {
    }

    /** Takes the words that say when, if the next ones do. */
    public function take(Words $words): bool
    {
        if ($this->takeTime($words)) {
            return true;
        }
        if (! $this->takeDay($words) && ! $this->takeDate($words)) {
            return false;
        }
        $this->takeHour($words);

        return true;
    }

    /** Local time as a script writes it. */
    public function text(): string
    {
        $today = intdiv($this->now, LocalDate::MINUTES);
        $minutes = $this->minutes ?? $this->now % LocalDate::MINUTES;
        $day = $this->day ?? $today;
        if ($this->day === null && $this->weekday !== null) {
            $day = $today + ($this->weekday - LocalDate::weekday($today) + 7) % 7;
        }
        // A day of the week that is today and over means the next one; a time alone that is over means tomorrow's.
        if ($this->day === null && $this->minutes !== null && $day * LocalDate::MINUTES + $minutes < $this->now) {
            $day += $this->weekday === null ? 1 : 7;
        }

        return sprintf('%sT%02d:%02d', LocalDate::text($day), intdiv($minutes, 60), $minutes % 60);
    }

    private function takeTime(Words $words): bool
    {
        if (
            preg_match('/^(\d{1,2})[:.h](\d{2})$/', $words->word(), $found) === 1
            && (int) $found[1] < 24
            && (int) $found[2] < 60
        ) {
            $this->minutes = (int) $found[1] * 60 + (int) $found[2];
        } elseif (
            preg_match('/^(\d{1,2})(?::(\d{2}))?(am|pm)$/', $words->word(), $found) === 1
            && (int) $found[1] >= 1
            && (int) $found[1] <= 12
        ) {
            $this->minutes = ((int) $found[1] % 12 + ($found[3] === 'pm' ? 12 : 0)) * 60 + (int) $found[2];
        } elseif (in_array($words->word(), ['noon', 'midnight'], true)) {
            $this->minutes = $words->word() === 'noon' ? 720 : 0;
        } else {
            return false;
        }
        $words->skip();

        return true;
    }

    /** `monday 9`, `31 dec at 11`: a bare hour behind a day. */
    private function takeHour(Words $words): void
    {
        $ahead = $words->word() === 'at' ? 1 : 0;
        $hour = $words->word($ahead);
        if (
            preg_match('/^\d{1,2}$/', $hour) === 1
            && (int) $hour < 24
            && in_array($words->word($ahead + 1), self::BEHIND_AN_HOUR, true)
        ) {
            $this->minutes = ((int) $hour + ((int) $hour < self::EARLIEST_HOUR ? 12 : 0)) * 60;
            $words->skip($ahead + 1);
        }
    }

    private function takeDay(Words $words): bool
    {
        $word = $words->word();
        $today = intdiv($this->now, LocalDate::MINUTES);
        $weekday = array_search($word, self::LONG_DAYS, true);
        $weekday = $weekday === false ? array_search($word, self::DAYS, true) : $weekday;
        if ($weekday !== false) {
            $this->weekday = (int) $weekday;
        } elseif (in_array($word, ['now', 'today', 'tomorrow'], true)) {
            $this->day = $today + ($word === 'tomorrow' ? 1 : 0);
            $this->minutes ??= $word === 'now' ? $this->now % LocalDate::MINUTES : null;
        } elseif (
            preg_match('/^(\d{4})-(\d{2})-(\d{2})$/', $word, $found) === 1
            && checkdate((int) $found[2], (int) $found[3], (int) $found[1])
        ) {
            $this->day = LocalDate::of((int) $found[1], (int) $found[2], (int) $found[3]);
        } elseif (
            preg_match('/^(\d{1,2})\.(\d{1,2})\.?(\d{4})?$/', $word, $found) === 1
            && (int) $found[2] >= 1
            && (int) $found[2] <= 12
        ) {
            $this->day = $this->dayOf((int) $found[1], (int) $found[2], isset($found[3]) ? (int) $found[3] : null)
                ?? throw new UnreadableCall("there is no {$word}", $words->at());
        } else {
            return false;
        }
        $words->skip();

        return true;
    }

    private function takeDate(Words $words): bool
    {
        [$day, $month] = preg_match('/^\d{1,2}$/', $words->word()) === 1
            ? [$words->word(), $words->word(1)]
            : [$words->word(1), $words->word()];
        $place = array_search(substr($month, 0, 3), self::MONTHS, true);
        if ($place === false || strlen($month) < 3 || preg_match('/^\d{1,2}$/', $day) !== 1) {
            return false;
        }
        $year = preg_match('/^\d{4}$/', $words->word(2)) === 1 ? (int) $words->word(2) : null;
        $this->day = $this->dayOf((int) $day, (int) $place + 1, $year)
            ?? throw new UnreadableCall("there is no {$day} {$month}", $words->at());
        $words->skip($year === null ? 2 : 3);

        return true;
    }

    /** @return ?int days since 1970: the next of them where no year is said; null where there is none */
    private function dayOf(int $day, int $month, ?int $year): ?int
    {
        $thisYear = LocalDate::parts(intdiv($this->now, LocalDate::MINUTES))[0];
        $said = static fn (int $of): ?int => checkdate($month, $day, $of) ? LocalDate::of($of, $month, $day) : null;
        $found = $said($year ?? $thisYear);

        return $year === null && ($found === null || $found < intdiv($this->now, LocalDate::MINUTES))
            ? $said($thisYear + 1) ?? $found
            : $found;
    }
}
