<?php

declare(strict_types=1);

namespace App\Models;

enum PushStatus: string
{
    case Queued = 'queued';
    case Running = 'running';
    case Done = 'done';
    case Stopped = 'stopped';

    public function isUnderWay(): bool
    {
        return match ($this) {
            self::Queued, self::Running => true,
            self::Done, self::Stopped => false,
        };
    }
}
