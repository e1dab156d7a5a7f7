<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

/** What a number counts. */
enum Unit: string
{
    case Seconds = 'seconds';
    case Rings = 'rings';
    case Minutes = 'minutes';
    case Days = 'days';
    case Digits = 'digits';
    case Channels = 'channels';
    case Percent = 'percent';
}
