<?php

declare(strict_types=1);

namespace App\Secrets;

/** A secret that is not told, in words for the person who asked. */
final class CannotReveal extends \DomainException
{
    public static function again(): self
    {
        return new self('It was shown once already. Make a new one where it is needed again.');
    }

    public static function none(): self
    {
        return new self('No PIN was made here for it. What somebody set on the switch is known to the switch alone.');
    }
}
