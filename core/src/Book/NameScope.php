<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** Whom dial by name lists. */
enum NameScope: string
{
    case Off = 'off';
    case Site = 'site';
    case All = 'all';
    case Groups = 'groups';
}
