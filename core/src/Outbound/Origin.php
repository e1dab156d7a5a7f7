<?php

declare(strict_types=1);

namespace Jaunty\Core\Outbound;

/** How a number comes to be called. */
enum Origin: string
{
    /** Somebody inside dials it. */
    case Dialled = 'dialled';
    /** A call from inside is led on to it: all of its E.164 digits are compared, no prefix. */
    case Led = 'led';
    /** A caller from outside is led on to it. */
    case LedFromOutside = 'ledFromOutside';

    public function isInside(): bool
    {
        return $this !== self::LedFromOutside;
    }
}
