<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Users;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Mailbox;
use Jaunty\Core\Book\Member;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;
use Jaunty\Core\Change\Operation;

/** Somebody who has left is still rung. */
final readonly class LeaverStillRouted implements Rule
{
    public function about(): About
    {
        return new About(
            'users.leaver-still-routed',
            Severity::Error,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(User::class) as $user) {
            $uses = $user->status === UserStatus::Leaver
                ? array_values(array_filter(
                    $inspection->usesOf($user),
                    static fn (array $use): bool => ! $use[0] instanceof Mailbox
                        && ! str_starts_with($use[1], 'watchers/')
                        && ! str_starts_with($use[1], 'workplaces/'),
                ))
                : [];
            if ($uses === []) {
                continue;
            }
            $groups = [];
            foreach ($uses as [$object]) {
                if ($object instanceof Group) {
                    $groups[$object->key] = $object;
                }
            }
            $others = count($uses) - count($groups);
            $where = array_values($groups) === []
                ? $inspection->names->several(array_map(static fn (array $use): BookObject => $use[0], $uses))
                : $inspection->names->several(array_values($groups));
            yield Found::of(
                [
                    'user' => $user->label(),
                    'where' => $where,

                    'others' => $groups === [] ? 0 : $others,
                ],
                $user,
            )->at('status')->counting(count($uses))->fixedBy($this->takeOut($user, array_values($groups)));
        }
    }

    /** @param list<Group> $groups */
    private function takeOut(User $user, array $groups): ?Fix
    {
        $name = (string) Reference::of($user);
        $operations = array_map(
            static fn (Group $group): Operation => Fix::leavingOut($group, 'members', ...array_column(
                array_filter($group->members, static fn (Member $member): bool => (string) $member->who === $name),
                'item',
            )),
            $groups,
        );

        return $operations === []
            ? null
            : Fix::of(
                'Take ' . $user->label() . ' out of ' . (
                    count($groups) === 1 ? $groups[0]->name : count($groups) . ' groups'
                ),
                ...$operations,
            );
    }
}
