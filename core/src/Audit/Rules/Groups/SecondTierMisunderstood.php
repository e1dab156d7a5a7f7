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
use Jaunty\Core\Book\TierTwo;

/** A second tier that is not rung when the first does not answer. */
final readonly class SecondTierMisunderstood implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.second-tier-misunderstood',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            $second = array_values(
                array_filter($group->members, static fn (Member $member): bool => $member->tier === 2),
            );
            if ($second !== [] && count($second) < count($group->members) && $group->tierTwo === TierTwo::Unavailable) {
                $names = $inspection->names->several(
                    array_map(static fn (Member $member): string => (string) $member->who, $second),
                );
                yield Found::of(
                    ['group' => $group->name, 'names' => $names, 'n' => count($second)],
                    $group,
                )
                    ->at('tierTwo')->counting(count($second))->fixedBy(
                        Fix::set('Try them after the first tier as well', $group, 'tierTwo', TierTwo::AlsoTried->value),
                    );
            }
        }
    }
}
