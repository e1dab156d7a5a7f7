<?php

declare(strict_types=1);

namespace App\Switching;

/** There is no switch to speak to, or not the one that is asked for. */
final class NoSwitch extends \RuntimeException
{
    public static function atAll(): self
    {
        return new self('No switch is set up yet. A lead technician names one under Settings.');
    }

    public static function named(string $name): self
    {
        return new self(
            "The switch \"{$name}\" is not among those that are set up. A lead technician looks under Settings.",
        );
    }
}
