<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Users;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;

/** Somebody suspended who is still in groups. */
final readonly class SuspendedStillMember implements Rule
{
    public function about(): About
    {
        return new About(
            'users.suspended-still-member',
            Severity::Warning,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            foreach ($group->members as $member) {
                $user = $inspection->find($member->who, User::class);
                if ($user?->status === UserStatus::Suspended) {
                    yield Found::of(
                        ['user' => $user->label(), 'group' => $group->name],
                        $group,
                        $user,
                    )->at('members', $member->item)
                        ->fixedBy(count($group->members) === 1 ? null : Fix::of(
                            'Take them out',
                            Fix::leavingOut($group, 'members', $member->item),
                        ));
                }
            }
        }
    }
}
