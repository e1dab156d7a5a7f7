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
                [
                    'group' => $group->name,
                    'n' => $count,
                    'goes' => $to === null ? 'nowhere' : 'on',
                    'to' => $inspection->names->said($to),
                ],
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
