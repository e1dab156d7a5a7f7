<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** Whether a telephone is somebody's, waits in the cupboard, or is broken. */
enum DeviceStatus: string
{
    case InUse = 'inUse';
    case Spare = 'spare';
    case Broken = 'broken';
}
