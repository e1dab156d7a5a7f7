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

/** Somebody stands in a hunt group's list more than once. */
final readonly class MemberTwice implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.member-twice',
            Severity::Warning,
            'The same person is a member of a hunt group more than once.',
            'A caller waits through the same phone twice, and shares and turns are not what the list seems to say.',
            'Take the second entry out.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            $seen = [];
            foreach ($group->members as $member) {
                if (isset($seen[(string) $member->who])) {
                    yield Found::of(
                        "{$group->name}: {$inspection->names->of($member->who)} is in the list twice",
                        'Callers ring the same phone again before the next person is tried.',
                        $group,
                    )
                        ->at('members', $member->item)
                        ->fixedBy(
                            Fix::of('Take the second entry out', Fix::leavingOut($group, 'members', $member->item)),
                        );
                }
                $seen[(string) $member->who] = true;
            }
        }
    }
}
