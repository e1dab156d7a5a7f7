<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** What rings: a device of the user's, or an outside number. */
enum LegKind: string
{
    case Desk = 'desk';
    case Soft = 'soft';
    case MobileApp = 'mobileApp';
    case Outside = 'outside';
}
