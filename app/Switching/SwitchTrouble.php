<?php

declare(strict_types=1);

namespace App\Switching;

/** The switch did not do what it was asked: for now (try again) or for good. */
final class SwitchTrouble extends \RuntimeException
{
    private function __construct(string $message, public readonly bool $temporary, public readonly int $waitSeconds = 1)
    {
        parent::__construct($message);
    }

    public static function unreachable(string $why): self
    {
        return new self("the switch cannot be reached ({$why})", true);
    }

    public static function busy(int $waitSeconds): self
    {
        return new self('the switch asks to wait', true, min(max($waitSeconds, 1), 30));
    }

    public static function failing(int $status): self
    {
        return new self("the switch answered with an error of its own (HTTP {$status})", true);
    }

    public static function activating(string $object): self
    {
        return new self("{$object} is made, and the carrier is still activating it", true);
    }

    public static function refused(string $reason): self
    {
        return new self("the switch refused: {$reason}", false);
    }

    /** What it holds is nothing we know; taken for something else, it would pass for the same. */
    public static function unreadable(string $object, string $why): self
    {
        return new self("what the switch holds of {$object} cannot be read ({$why})", false);
    }

    /** @param list<string> $fields */
    public static function changedMeanwhile(array $fields): self
    {
        return new self(
            'somebody changed this on the switch meanwhile (' . implode(', ', $fields) . '); read again and decide',
            false,
        );
    }

    public static function notBound(string $object): self
    {
        return new self("{$object} is not on the switch", false);
    }
}
