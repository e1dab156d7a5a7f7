<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** How much of a name callers have to key. */
enum NameMatch: string
{
    case Partial = 'partial';
    case Whole = 'whole';
}
