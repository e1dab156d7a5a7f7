<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Year;

use Jaunty\Core\Calls\AllCalls\Explorer;
use Jaunty\Core\Calls\AllCalls\Facts;
use Jaunty\Core\Calls\Law\EventKind;
use Jaunty\Core\Calls\Law\State;

/** Calls to one number in the period classes in which they can go the same ways. */
final readonly class Run
{
    /**
     * @param  string  $number  in E.164
     * @param  non-empty-list<int>  $classes  of periods
     */
    public function __construct(
        public string $number,
        public State $start,
        public Explorer $explored,
        public Facts $facts,
        public array $classes,
    ) {
    }

    /**
     * Seconds until the end of a caller who does nothing and whom nobody answers; null where a menu or a queue holds
     * them before.
     */
    public function passiveSeconds(): ?int
    {
        $seconds = 0;
        foreach ($this->explored->passiveEdges($this->start) as $edge) {
            if ($edge->choice->most === null || in_array(
                $edge->choice->event->kind,
                [EventKind::WaitedLongest, EventKind::Endless, EventKind::Silence],
                true,
            )) {
                return null;
            }
            $seconds += $edge->choice->most;
        }

        return $seconds;
    }
}
