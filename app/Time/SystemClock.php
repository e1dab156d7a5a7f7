<?php

declare(strict_types=1);

namespace App\Time;

final class SystemClock extends Clock
{
    public function now(): \DateTimeImmutable
    {
        return new \DateTimeImmutable('@' . time());
    }
}
