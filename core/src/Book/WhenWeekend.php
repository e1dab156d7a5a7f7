<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** What becomes of a holiday on a Saturday or Sunday. */
enum WhenWeekend: string
{
    case Actual = 'actual';
    case Substitute = 'substitute';
    case Both = 'both';
}
