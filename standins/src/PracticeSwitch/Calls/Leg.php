<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

/** One thing that can ring for a person or of its own: a device, or digits outside. */
final readonly class Leg
{
    /**
     * @param  Place  $place  the person whose device it is, or the digits outside
     * @param  int  $seconds  how long it rings
     * @param  int  $boxAfter  seconds after which the box of digits outside picks up
     * @param  bool  $asks  whether who picks up must press a key, which no box can
     */
    public function __construct(
        public Place $place,
        public int $seconds,
        public int $boxAfter,
        public bool $asks,
        public Sender $sender,
    ) {
    }

    public function ringing(int $seconds): self
    {
        return new self($this->place, $seconds, $this->boxAfter, $this->asks, $this->sender);
    }
}
