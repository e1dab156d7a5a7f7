<?php

declare(strict_types=1);

namespace App\Time;

final class FixedClock extends Clock
{
    private readonly \DateTimeImmutable $instant;

    /** @param string $instant ISO 8601 with an offset */
    public function __construct(string $instant)
    {
        $this->instant = (new \DateTimeImmutable($instant))->setTimezone(new \DateTimeZone('UTC'));
    }

    public function now(): \DateTimeImmutable
    {
        return $this->instant;
    }
}
