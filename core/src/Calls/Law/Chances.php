<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

use Jaunty\Core\Book\Member;

/**
 * What can become of a member of a hunt group in a free world.
 *
 * @internal
 */
final readonly class Chances
{
    /**
     * @param  bool  $canBeAway  whether nothing of theirs may be reachable
     * @param  list<RingLeg>  $legs  at their best; none where an offer never rings them
     * @param  bool  $canComeToNothing  whether an offer may end at once, though they are available
     */
    public function __construct(
        public Member $member,
        public bool $canBeOut,
        public bool $canBeIn,
        public bool $canBeAway,
        public array $legs,
        public bool $canComeToNothing,
    ) {
    }

    public function isUser(): bool
    {
        return $this->member->who->outside === null;
    }

    public function canBeOffered(): bool
    {
        return $this->canBeIn && $this->legs !== [];
    }

    public function canRing(): bool
    {
        return $this->canBeOffered()
            && array_filter($this->legs, static fn (RingLeg $leg): bool => ! $leg->dropsOut()) !== [];
    }
}
