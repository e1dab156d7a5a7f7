<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Groups;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Member;
use Jaunty\Core\Change\Operation;

/** A group whose members are all of the second tier. */
final readonly class SecondTierWithoutFirst implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.second-tier-without-first',
            Severity::Error,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            $tiers = array_column($group->members, 'tier');
            if ($tiers !== [] && ! in_array(1, $tiers, true)) {
                $first = array_map(
                    static fn (Member $member): Operation => Fix::setting($group, "members/{$member->item}/tier", 1),
                    $group->members,
                );
                yield Found::of(
                    ['group' => $group->name],
                    $group,
                )->at('members')->fixedBy(Fix::of('Let them be of the first tier', ...$first));
            }
        }
    }
}
