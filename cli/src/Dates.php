<?php

declare(strict_types=1);

namespace Jaunty\CommandLine;

use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Hours\ZoneClock;

/** Dates as they are typed and shown. */
final class Dates
{
    /**
     * @return int days since 1970
     *
     * @throws Misuse
     */
    public static function parse(?string $typed, string $option = 'from'): int
    {
        if ($typed === null) {
            throw new Misuse("wants --{$option}, a date");
        }
        if (
            preg_match('/^\d{4}-\d{2}-\d{2}$/D', $typed) !== 1
            || ! checkdate((int) substr($typed, 5, 2), (int) substr($typed, 8), (int) substr($typed, 0, 4))
        ) {
            throw new Misuse("--{$option}: \"{$typed}\" is no date");
        }

        return LocalDate::parse($typed);
    }

    public static function local(ZoneClock $clock, int $instant): string
    {
        $local = $clock->localMinutes($instant);
        $day = (int) floor($local / LocalDate::MINUTES);
        $minutes = $local - $day * LocalDate::MINUTES;

        return sprintf(
            '%s %s %02d:%02d',
            LocalDate::DAYS[LocalDate::weekday($day)],
            LocalDate::text($day),
            intdiv($minutes, 60),
            $minutes % 60,
        );
    }
}
