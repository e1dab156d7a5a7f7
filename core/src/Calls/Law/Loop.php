<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

/**
 * States of a call that lead back to themselves (design 03 section 6). Plays and rotations are bounded and are none.
 */
final readonly class Loop
{
    /**
     * @param  non-empty-list<string>  $states  keys of all states that reach each other
     * @param  int  $seconds  what one round adds at most: the passive one, else the one with the fewest steps
     * @param  non-empty-list<string>  $objects  that the call goes through again and again, by name
     * @param  bool  $isOneMenu  whether it is a menu that silence never leads out of
     */
    public function __construct(
        public LoopKind $kind,
        public array $states,
        public int $seconds,
        public array $objects,
        public bool $isOneMenu,
    ) {
    }
}
