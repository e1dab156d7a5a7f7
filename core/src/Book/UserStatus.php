<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

enum UserStatus: string
{
    case Active = 'active';
    case Suspended = 'suspended';
    case Leaver = 'leaver';
}
