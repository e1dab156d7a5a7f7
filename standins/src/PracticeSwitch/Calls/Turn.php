<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

/** What comes next in a call: a place to go to, sent by somebody, or its end. */
final readonly class Turn
{
    private function __construct(public ?Place $to, public ?Sender $by, public ?Ending $ending, public bool $isHop)
    {
    }

    /** @param bool $isHop whether it counts as sending the call on */
    public static function to(?Place $to, Sender $by, int $second, bool $isHop = true): self
    {
        return $to === null ? self::end('nowhere', $by->place, $second) : new self($to, $by, null, $isHop);
    }

    public static function end(string $word, Place $place, int $second): self
    {
        return new self(null, null, new Ending($word, $place, $second), false);
    }
}
