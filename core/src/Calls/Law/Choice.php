<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

/** One event the world may give in a state, with its seconds. */
final readonly class Choice
{
    /**
     * @param  int  $least  seconds
     * @param  ?int  $most  seconds; null for no end
     * @param  bool  $isPassive  whether it is what happens when nobody does anything: silence, no answer, what the book
     *     settles
     * @param  bool  $needsKey  whether the caller has to press a key
     */
    private function __construct(
        public Event $event,
        public int $least,
        public ?int $most,
        public bool $isPassive,
        public bool $needsKey,
    ) {
    }

    /** What the book settles, or what comes of doing nothing. */
    public static function passive(Event $event, int $least = 0, ?int $most = null): self
    {
        return new self($event, $least, $most ?? $least, true, false);
    }

    public static function world(Event $event, int $least = 0, ?int $most = 0): self
    {
        return new self($event, $least, $most, false, false);
    }

    /** Tells choices apart by all that is said of them. */
    public function sign(): string
    {
        return "{$this->event->kind->value} {$this->event->detail} {$this->least} {$this->most} "
            . ($this->isPassive ? 'p' : '')
            . ($this->needsKey ? 'k' : '');
    }

    public static function key(Event $event, int $least, ?int $most): self
    {
        return new self($event, $least, $most, false, true);
    }
}
