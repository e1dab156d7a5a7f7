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
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            $seen = [];
            foreach ($group->members as $member) {
                if (isset($seen[(string) $member->who])) {
                    yield Found::of(
                        ['group' => $group->name, 'who' => $inspection->names->said($member->who)],
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
