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
use Jaunty\Core\Book\Leg;
use Jaunty\Core\Book\LegKind;
use Jaunty\Core\Book\Member;
use Jaunty\Core\Book\SignInBy;
use Jaunty\Core\Book\User;

/** A member who is to sign in and has no telephone to do it on. */
final readonly class CannotSignIn implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.cannot-sign-in',
            Severity::Error,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            foreach ($group->signInBy === SignInBy::Member ? $group->members : [] as $member) {
                $user = $inspection->find($member->who, User::class);
                $devices = array_filter(
                    $user->legs ?? [],
                    static fn (Leg $leg): bool => $leg->legKind !== LegKind::Outside,
                );
                if ($user !== null && ! $member->signedIn && $devices === []) {
                    yield Found::of(
                        ['user' => $user->label(), 'group' => $group->name],
                        $group,
                        $user,
                    )
                        ->at("members/{$member->item}/signedIn", $member->item)
                        ->fixedBy(Fix::of('Take them out', Fix::leavingOut($group, 'members', $member->item)));
                }
            }
        }
    }
}
