<?php

declare(strict_types=1);

namespace App\Models;

/** How far a port is: numbers that come in, and numbers that another carrier asks for. */
enum PortState: string
{
    /** Written down here; the carrier does not know of it. */
    case Open = 'open';
    case Sent = 'sent';
    case Rejected = 'rejected';
    case Dated = 'dated';
    case Moving = 'moving';
    case Done = 'done';
    /** It was tried, and the numbers are with the old carrier again. */
    case FailedBack = 'failedBack';
    case Withdrawn = 'withdrawn';
    case Asked = 'asked';
    case Agreed = 'agreed';
    case Refused = 'refused';
    case Gone = 'gone';

    /** @return non-empty-list<self> in which the carrier has still something to say */
    public static function underWay(): array
    {
        return [self::Open, self::Sent, self::Rejected, self::Dated, self::Moving, self::FailedBack, self::Asked,
            self::Agreed];
    }

    /** Another carrier has asked, and nobody answered. */
    public function waitsForUs(): bool
    {
        return $this === self::Asked;
    }

    public function inWords(): string
    {
        return match ($this) {
            self::Open => 'not sent',
            self::Sent => 'sent',
            self::Rejected => 'turned down',
            self::Dated => 'has its day',
            self::Moving => 'being moved',
            self::Done => 'done',
            self::FailedBack => 'failed back',
            self::Withdrawn => 'withdrawn',
            self::Asked => 'asked for',
            self::Agreed => 'agreed to',
            self::Refused => 'refused',
            self::Gone => 'gone',
        };
    }

    /** Whether what the order says may be changed. */
    public function mayBeMended(): bool
    {
        return $this === self::Open || $this === self::Rejected;
    }

    public function mayBeWithdrawn(): bool
    {
        return in_array($this, [self::Open, self::Sent, self::Rejected, self::Dated, self::FailedBack], true);
    }
}
