<?php

declare(strict_types=1);

namespace App\Time;

/**
 * What time it is for the business: dates of ports and holidays, ages shown, grants that expire. The demo, screenshots
 * and browser tests stand still at one instant. Machinery (leases, throttles, sessions, one-time codes) runs on real time.
 */
interface Clock
{
    /** In UTC, to the second. */
    public function now(): \DateTimeImmutable;
}
