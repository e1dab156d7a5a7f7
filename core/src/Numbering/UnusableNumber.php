<?php

declare(strict_types=1);

namespace Jaunty\Core\Numbering;

use Jaunty\Core\CoreException;

/** Text that is no telephone number. */
final class UnusableNumber extends \DomainException implements CoreException
{
    public static function unreadable(string $typed): self
    {
        return new self('"' . mb_strimwidth($typed, 0, 30, '…') . '" cannot be read as a telephone number; write it with its country code, such as +1 902 555 0110');
    }

    public static function impossible(string $typed): self
    {
        return new self('"' . mb_strimwidth($typed, 0, 30, '…') . '" has too few or too many digits for a telephone number');
    }

    public static function notGiven(string $typed): self
    {
        return new self('"' . mb_strimwidth($typed, 0, 30, '…') . '" is of a range that is given to nobody; look for a wrong digit');
    }
}
