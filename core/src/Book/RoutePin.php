<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** Whether a route asks for a PIN. */
enum RoutePin: string
{
    case None = 'none';
    case Set = 'set';
}
