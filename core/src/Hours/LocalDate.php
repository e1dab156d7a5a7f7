<?php

declare(strict_types=1);

namespace Jaunty\Core\Hours;

/**
 * Days of the calendar as numbers: days since 1 January 1970, in the proleptic Gregorian calendar. No zone, no
 * DateTime.
 *
 * @internal
 */
final class LocalDate
{
    public const MINUTES = 1440;

    /** By weekday, as weekday() counts them. */
    public const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

    public static function parse(string $date): int
    {
        return self::of((int) substr($date, 0, 4), (int) substr($date, 5, 2), (int) substr($date, 8, 2));
    }

    /** Days from a civil date, by counting years from March on, where leap days come last. */
    public static function of(int $year, int $month, int $day): int
    {
        $y = $month <= 2 ? $year - 1 : $year;
        $era = intdiv($y >= 0 ? $y : $y - 399, 400);
        $yearOfEra = $y - $era * 400;
        $dayOfYear = intdiv(153 * ($month + ($month > 2 ? -3 : 9)) + 2, 5) + $day - 1;

        return $era * 146_097
            + $yearOfEra * 365
            + intdiv($yearOfEra, 4) - intdiv($yearOfEra, 100)
            + $dayOfYear - 719_468;
    }

    /** @return array{int, int, int} year, month, day */
    public static function parts(int $days): array
    {
        $z = $days + 719_468;
        $era = intdiv($z >= 0 ? $z : $z - 146_096, 146_097);
        $dayOfEra = $z - $era * 146_097;
        $yearOfEra = intdiv(
            $dayOfEra - intdiv($dayOfEra, 1460) + intdiv($dayOfEra, 36_524) - intdiv($dayOfEra, 146_096),
            365,
        );
        $dayOfYear = $dayOfEra - (365 * $yearOfEra + intdiv($yearOfEra, 4) - intdiv($yearOfEra, 100));
        $shifted = intdiv(5 * $dayOfYear + 2, 153);
        $month = $shifted < 10 ? $shifted + 3 : $shifted - 9;

        return [
            $yearOfEra + $era * 400 + ($month <= 2 ? 1 : 0),
            $month,
            $dayOfYear - intdiv(153 * $shifted + 2, 5) + 1,
        ];
    }

    public static function text(int $days): string
    {
        return sprintf('%04d-%02d-%02d', ...self::parts($days));
    }

    /** 0 is Monday. */
    public static function weekday(int $days): int
    {
        return (($days + 3) % 7 + 7) % 7;
    }

    public static function daysInMonth(int $year, int $month): int
    {
        return match ($month) {
            2 => self::isLeap($year) ? 29 : 28,
            4, 6, 9, 11 => 30,
            default => 31,
        };
    }

    public static function isLeap(int $year): bool
    {
        return $year % 4 === 0 && ($year % 100 !== 0 || $year % 400 === 0);
    }

    /** Easter Sunday of the Gregorian calendar, by the method of the anonymous correspondent to Nature, 1876. */
    public static function easter(int $year): int
    {
        $a = $year % 19;
        [$b, $c] = [intdiv($year, 100), $year % 100];
        [$d, $e] = [intdiv($b, 4), $b % 4];
        $g = intdiv($b - intdiv($b + 8, 25) + 1, 3);
        $h = (19 * $a + $b - $d - $g + 15) % 30;
        [$i, $k] = [intdiv($c, 4), $c % 4];
        $l = (32 + 2 * $e + 2 * $i - $h - $k) % 7;
        $m = intdiv($a + 11 * $h + 22 * $l, 451);
        $n = $h + $l - 7 * $m + 114;

        return self::of($year, intdiv($n, 31), $n % 31 + 1);
    }
}
