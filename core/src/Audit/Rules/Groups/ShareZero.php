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
use Jaunty\Core\Book\GroupOrder;
use Jaunty\Core\Book\Member;

/** A member of a group that rings by share, with no share. */
final readonly class ShareZero implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.share-zero',
            Severity::Warning,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            $without = array_values(array_filter(
                $group->order === GroupOrder::Weighted ? $group->members : [],
                static fn (Member $member): bool => ($member->share ?? 0) === 0,
            ));
            if ($without !== [] && count($without) < count($group->members)) {
                $names = $inspection->names->several(
                    array_map(static fn (Member $member): string => (string) $member->who, $without),
                );
                yield Found::of(
                    ['group' => $group->name, 'names' => $names, 'n' => count($without)],
                    $group,
                )
                    ->at('members')->counting(count($without))->fixedBy(Fix::of(
                        count($without) === 1 ? 'Take the member out' : 'Take the members out',
                        Fix::leavingOut($group, 'members', ...array_column($without, 'item')),
                    ));
            }
        }
    }
}
