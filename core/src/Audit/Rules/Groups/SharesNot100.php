<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Groups;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\GroupOrder;
use Jaunty\Core\Book\Member;

/** The shares of a group that rings by share do not add up. */
final readonly class SharesNot100 implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.shares-not-100',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            $shares = array_map(
                static fn (Member $member): int => $member->share ?? 0,
                array_filter($group->members, static fn (Member $member): bool => $member->tier === 1),
            );
            if ($group->order === GroupOrder::Weighted && $shares !== [] && array_sum($shares) !== 100) {
                yield Found::of(
                    ['group' => $group->name, 'shares' => array_sum($shares)],
                    $group,
                )->at('members');
            }
        }
    }
}
