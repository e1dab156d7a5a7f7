<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** Whether a user's legs ring all together or one after another. */
enum RingStyle: string
{
    case Together = 'together';
    case InOrder = 'inOrder';
}
