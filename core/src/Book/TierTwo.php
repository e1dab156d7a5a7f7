<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** When the second tier of a hunt group is offered. */
enum TierTwo: string
{
    case Unavailable = 'unavailable';
    case AlsoTried = 'alsoTried';
}
