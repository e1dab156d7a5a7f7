<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** What a menu does with a call for a user: rings and comes back, or lets it go. */
enum TransferWay: string
{
    case ComesBack = 'comesBack';
    case Blind = 'blind';
}
