<?php

declare(strict_types=1);

namespace App\Time;

/**
 * What time it is for the business: dates of ports and holidays, ages shown, grants that expire. The demo, screenshots
 * and browser tests stand still at one instant. Machinery (leases, throttles, sessions, one-time codes) runs on real
 * time.
 */
abstract class Clock
{
    /** In UTC, to the second. */
    abstract public function now(): \DateTimeImmutable;

    /** Which date it is in a time zone: `2026-12-01`. */
    public function dateIn(string $zone): string
    {
        return $this->now()->setTimezone(new \DateTimeZone($zone))->format('Y-m-d');
    }
}
