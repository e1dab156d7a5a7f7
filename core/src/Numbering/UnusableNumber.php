<?php

declare(strict_types=1);

namespace Jaunty\Core\Numbering;

use Jaunty\Core\CoreException;

/** Text that is no telephone number. */
final class UnusableNumber extends \DomainException implements CoreException
{
    public static function unreadable(string $typed): self
    {
        return new self(
            '"'
            . mb_strimwidth($typed, 0, 30, '…')
            . '" cannot be read as a telephone number; write it with its country code, such as +1 902 555 0110',
        );
    }

    public static function impossible(string $typed): self
    {
        return new self(
            '"' . mb_strimwidth($typed, 0, 30, '…') . '" has too few or too many digits for a telephone number',
        );
    }

    public static function noCountry(string $typed): self
    {
        return new self(
            '"'
            . mb_strimwidth($typed, 0, 30, '…')
            . '" is of no country while the customer has none; write it with its country code, such as +1 902 555 0110',
        );
    }

    /** @param string $number as it is written in E.164 */
    public static function otherwiseWritten(string $typed, string $number): self
    {
        return new self('"' . mb_strimwidth($typed, 0, 30, '…') . "\" is written {$number}");
    }

    public static function notGiven(string $typed): self
    {
        return new self(
            '"' . mb_strimwidth($typed, 0, 30, '…') . '" is of a range that is given to nobody; look for a wrong digit',
        );
    }
}
