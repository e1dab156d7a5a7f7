<?php

declare(strict_types=1);

namespace Jaunty\Core\Numbering;

/** How far digits dialled one after another have come. */
enum Dialling: string
{
    /** Fits no alternative any more. */
    case Mismatch = 'mismatch';
    /** More digits, or the timer, can make it fit. */
    case Partial = 'partial';
    /** Fits one in full: collected at once, whatever else could have come. */
    case Match = 'match';
}
