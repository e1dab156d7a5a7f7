<?php

declare(strict_types=1);

namespace Jaunty\Core\Ics;

use Jaunty\Core\CoreException;

/** Text that is no iCalendar file, or none that can be read here. */
final class UnusableIcs extends \DomainException implements CoreException
{
    public static function malformed(string $cause): self
    {
        return new self("This is no iCalendar file (RFC 5545): {$cause}");
    }

    public static function tooLarge(int $most): self
    {
        return new self(
            sprintf('The file is larger than %d KB; take out the calendar of one business only', intdiv($most, 1024)),
        );
    }

    public static function tooMany(int $events, int $most): self
    {
        return new self("The file has {$events} events; {$most} are read at most");
    }
}
