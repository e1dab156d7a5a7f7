<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Member;

/**
 * Who can be offered a call and what their legs do, at a second of the offers. A script's world never changes; others
 * may.
 */
interface OfferWorld
{
    /**
     * @param  int  $second  since the first offer
     * @return string signedOut, unreachable, busy or available
     */
    public function availability(Group $group, Member $member, int $second): string;

    /**
     * @param  int  $seconds  how long the offer lasts
     * @return list<RingLeg> the legs that ring for groups, in ring order
     */
    public function offerLegs(Group $group, Member $member, bool $inside, int $seconds, int $second): array;
}
