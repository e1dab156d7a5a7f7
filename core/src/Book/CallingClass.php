<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** How far a user may dial; each class includes the ones before it. */
enum CallingClass: string
{
    case Internal = 'internal';
    case Local = 'local';
    case National = 'national';
    case International = 'international';
}
