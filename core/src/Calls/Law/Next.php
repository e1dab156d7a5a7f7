<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

/** Where an event leads: to another state, or to the end. */
final readonly class Next
{
    /** @param bool $isTransfer whether a destination was followed, which counts against the tenant's transfer limit */
    private function __construct(
        public ?State $state,
        public ?Outcome $outcome,
        public string $target,
        public bool $isTransfer,
    ) {
    }

    public static function state(State $state, bool $isTransfer = false): self
    {
        return new self($state, null, '', $isTransfer);
    }

    public static function end(Outcome $outcome, string $target): self
    {
        return new self(null, $outcome, $target, false);
    }
}
