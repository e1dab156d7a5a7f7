<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** What a key of a telephone is. */
enum KeyKind: string
{
    case Line = 'line';
    case Lamp = 'lamp';
    case SpeedDial = 'speedDial';
    case Park = 'park';
    case PickUp = 'pickUp';
    case Page = 'page';
    case Code = 'code';
    case Blank = 'blank';
}
