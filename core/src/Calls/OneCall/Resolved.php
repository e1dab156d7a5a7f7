<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\OneCall;

use Jaunty\Core\Calls\Law\Event;

/** What the world did in a state: the event, when, and what happened on the way. */
final readonly class Resolved
{
    /**
     * @param  int  $second  from the call's arrival
     * @param  list<TraceStep>  $steps
     * @param  bool  $byKey  whether a key of the script was acted upon
     */
    public function __construct(
        public Event $event,
        public int $second,
        public array $steps = [],
        public bool $byKey = false,
    ) {
    }
}
