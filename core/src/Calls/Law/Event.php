<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

/** What the world gives a state: one of its choices. */
final readonly class Event
{
    /** @param string $detail the key, the object that answered, the rule that matched */
    private function __construct(public EventKind $kind, public string $detail)
    {
    }

    public static function of(EventKind $kind, string $detail = ''): self
    {
        return new self($kind, $detail);
    }
}
