<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** Which extensions callers may dial in a menu. */
enum ExtensionReach: string
{
    case Off = 'off';
    case Site = 'site';
    case All = 'all';
}
