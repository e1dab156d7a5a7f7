<?php

declare(strict_types=1);

namespace App\Push;

/** A push that the house does not let through while blockers stand. */
final class GateShut extends \RuntimeException
{
    public function __construct(int $blockers, bool $isForLeads)
    {
        $what = $blockers === 1 ? 'A blocker stands here' : "{$blockers} blockers stand here";
        parent::__construct($isForLeads
            ? "{$what}: while they do, only a lead pushes. Mend or waive them, or ask one."
            : "{$what}: mend or waive them first. Settings say so for every customer.");
    }
}
