<?php

declare(strict_types=1);

namespace Jaunty\Core\Numbering;

use Jaunty\Core\CoreException;

/**
 * Digit maps that would take too long to look through whole: what was asked of them is unknown, which is neither yes
 * nor no.
 */
final class TooIntricate extends \RuntimeException implements CoreException
{
    public static function maps(): self
    {
        return new self(
            'the digit maps of the routes are too intricate to be looked through whole; a `.` in '
                . 'the middle of a map makes them so',
        );
    }
}
