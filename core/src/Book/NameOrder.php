<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** By which name callers look for somebody. */
enum NameOrder: string
{
    case First = 'first';
    case Last = 'last';
    case Either = 'either';
}
