<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\InWords;

/** Where a number stands in its life (design 09). */
enum NumberStatus: string implements InWords
{
    case Active = 'active';
    case Ordered = 'ordered';
    case Reserved = 'reserved';
    case PortingIn = 'portingIn';
    case Temporary = 'temporary';
    case PortingOut = 'portingOut';
    case Quarantined = 'quarantined';
    case Cancelled = 'cancelled';

    /** Whether calls come and go by it. */
    public function serves(): bool
    {
        return in_array($this, [self::Active, self::Temporary, self::PortingOut], true);
    }

    public function inWords(): string
    {
        return match ($this) {
            self::Active => 'in service',
            self::Ordered => 'ordered',
            self::Reserved => 'reserved',
            self::PortingIn => 'porting in',
            self::Temporary => 'lent',
            self::PortingOut => 'porting out',
            self::Quarantined => 'resting',
            self::Cancelled => 'cancelled',
        };
    }
}
