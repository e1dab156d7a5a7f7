<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

enum NumberKind: string
{
    case Local = 'local';
    case TollFree = 'tollFree';
    case Mobile = 'mobile';
}
