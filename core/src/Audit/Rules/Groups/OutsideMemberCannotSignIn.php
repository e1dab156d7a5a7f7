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

/** An outside number that is signed out of a group for good. */
final readonly class OutsideMemberCannotSignIn implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.outside-member-cannot-sign-in',
            Severity::Warning,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            foreach ($group->members as $member) {
                if ($member->who->outside !== null && ! $member->signedIn) {
                    yield Found::of(
                        ['group' => $group->name, 'who' => $inspection->names->said($member->who)],
                        $group,
                    )
                        ->at("members/{$member->item}/signedIn", $member->item)
                        ->fixedBy(Fix::of('Take it out', Fix::leavingOut($group, 'members', $member->item)));
                }
            }
        }
    }
}
