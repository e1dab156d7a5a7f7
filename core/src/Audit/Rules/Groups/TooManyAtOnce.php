<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Groups;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\GroupOrder;
use Jaunty\Core\Book\Member;

/** More people are to ring at once than a switch rings. */
final readonly class TooManyAtOnce implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.too-many-at-once',
            Severity::Warning,
            thresholds: [Threshold::MostRungAtOnce],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $most = $inspection->threshold(Threshold::MostRungAtOnce);
        foreach ($inspection->book->all(Group::class) as $group) {
            $people = count(array_filter($group->members, static fn (Member $member): bool => $member->signedIn));
            if ($group->order === GroupOrder::Simultaneous && $group->mostAtOnce === null && $people > $most) {
                yield Found::of(['group' => $group->name, 'people' => $people, 'most' => $most], $group)
                    ->at('mostAtOnce')
                    ->fixedBy(Fix::set("Ring {$most} at once", $group, 'mostAtOnce', $most));
            }
        }
    }
}
