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
            'A group has members of the second tier and none of the first.',
            'The second tier stands in for the first; alone it is a list in the wrong place.',
            'Let them be of the first tier.',
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
                    "{$group->name}: everybody is of the second tier",
                    'Nobody is there for them to stand in for.',
                    $group,
                )->at('members')->fixedBy(Fix::of('Let them be of the first tier', ...$first));
            }
        }
    }
}
