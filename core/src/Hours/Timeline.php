<?php

declare(strict_types=1);

namespace Jaunty\Core\Hours;

/** States over time: each holds from its instant (seconds since 1970, UTC) to the next. Half-open, without gaps. */
final readonly class Timeline
{
    /**
     * @param  non-empty-list<int>  $from  ascending; the first is the beginning of the horizon
     * @param  non-empty-list<string>  $states
     * @param  int  $until  end of the horizon, exclusive
     */
    public function __construct(public array $from, public array $states, public int $until)
    {
    }

    /** @throws \OutOfRangeException outside the horizon */
    public function at(int $instant): string
    {
        if ($instant < $this->from[0] || $instant >= $this->until) {
            throw new \OutOfRangeException("{$instant} is outside the timeline");
        }

        return $this->states[Ascending::lastUpTo($this->from, $instant)];
    }

    /** @return ?int the next instant at which the state changes; null within the horizon */
    public function nextChange(int $instant): ?int
    {
        foreach ($this->from as $from) {
            if ($from > $instant) {
                return $from;
            }
        }

        return null;
    }

    /** Seconds in one state. */
    public function secondsIn(HoursState $plain): int
    {
        $seconds = 0;
        foreach ($this->states as $index => $state) {
            if (HoursState::of($state) === $plain) {
                $seconds += ($this->from[$index + 1] ?? $this->until) - $this->from[$index];
            }
        }

        return $seconds;
    }
}
