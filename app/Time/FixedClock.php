<?php

declare(strict_types=1);

namespace App\Time;

final class FixedClock extends Clock
{
    private \DateTimeImmutable $instant;

    /** @param string $instant ISO 8601 with an offset */
    public function __construct(string $instant)
    {
        $this->instant = (new \DateTimeImmutable($instant))->setTimezone(new \DateTimeZone('UTC'));
    }

    public function now(): \DateTimeImmutable
    {
        return $this->instant;
    }

    /**
     * What happened so long ago, made to happen: the demo has a past.
     *
     * @template T
     *
     * @param  callable(): T  $work
     * @return T
     */
    public function ago(int $days, callable $work): mixed
    {
        $now = $this->instant;
        $this->instant = $now->modify("-{$days} days");
        try {
            return $work();
        } finally {
            $this->instant = $now;
        }
    }
}
