<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** When a site's callback number is sent with an emergency call. */
enum CallbackUse: string
{
    case WhenNone = 'whenNone';
    case Always = 'always';
}
