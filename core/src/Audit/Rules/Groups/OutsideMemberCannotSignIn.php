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
            'An outside number is a member of a group and is signed out.',
            'Nobody can sign it in from a telephone of its own; it never rings.',
            'Sign it in, or take it out.',
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            foreach ($group->members as $member) {
                if ($member->who->outside !== null && ! $member->signedIn) {
                    yield Found::of(
                        "{$group->name}: {$inspection->names->of($member->who)} is signed out and cannot sign in",
                        'An outside number has no way of signing in; it never rings for this group.',
                        $group,
                    )
                        ->at("members/{$member->item}/signedIn", $member->item)
                        ->fixedBy(Fix::of('Take it out', Fix::leavingOut($group, 'members', $member->item)));
                }
            }
        }
    }
}
