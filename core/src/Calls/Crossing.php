<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls;

/** Every way on from a state, with what had to be known for it: where all that is the same, so are the ways. */
final readonly class Crossing
{
    /**
     * @param  array<string, string>  $asked  what schedules and dates were asked and said, by slot
     * @param  array<string, true>  $read  the objects of the book that were looked at, and what of it as a whole
     * @param  list<Edge>  $edges
     */
    public function __construct(public array $asked, public array $read, public array $edges)
    {
    }

    /** Whether nothing is left to the world or the caller here. */
    public function isForced(): bool
    {
        return count($this->edges) === 1 && $this->edges[0]->choice->isPassive;
    }
}
