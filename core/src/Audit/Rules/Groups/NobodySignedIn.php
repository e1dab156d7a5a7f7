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

/** Nobody in a hunt group is signed in where only an administrator could change that. */
final readonly class NobodySignedIn implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.nobody-signed-in',
            Severity::Error,
            'Nobody in the hunt group is signed in.',
            'Calls pass the group by as if it were empty. Members who could sign in by themselves often do not know '
                . 'that they have to.',
            'Sign the members in, or take the group out of the way.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            if (
                ! $group->enabled
                || $group->members === []
                || array_filter($group->members, static fn (Member $member): bool => $member->signedIn) !== []
            ) {
                continue;
            }
            $count = count($group->members);
            $to = $group->otherwise->of('nobodySignedIn') ?? $group->otherwise->of('noAnswer') ?? $group->mailbox;
            yield Found::of(
                "{$group->name}: nobody is signed in",
                ([1 => 'Its one member is', 2 => 'Both members are'][$count] ?? "All {$count} members are")
                    . ' signed out. '
                    . (
                        $to === null
                        ? 'Calls to it end nowhere.'
                        : "Calls to it go straight to {$inspection->names->of($to)}."
                    ),
                $group,
            )->at('members')->fixedBy(
                Fix::of($count === 1 ? 'Sign the member in' : "Sign all {$count} in", ...array_map(
                    static fn (Member $member): Operation => Fix::setting(
                        $group,
                        "members/{$member->item}/signedIn",
                        true,
                    ),
                    $group->members,
                )),
            );
        }
    }
}
