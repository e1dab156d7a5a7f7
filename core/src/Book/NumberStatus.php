<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** Where a number stands in its life (design 09). */
enum NumberStatus: string
{
    case Active = 'active';
    case Ordered = 'ordered';
    case Reserved = 'reserved';
    case PortingIn = 'portingIn';
    case Temporary = 'temporary';
    case PortingOut = 'portingOut';
    case Quarantined = 'quarantined';
    case Cancelled = 'cancelled';
}
