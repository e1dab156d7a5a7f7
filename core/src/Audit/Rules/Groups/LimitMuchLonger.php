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
use Jaunty\Core\Book\TierTwo;

/** A limit that is never reached, since the passes are over before. */
final readonly class LimitMuchLonger implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.limit-much-longer',
            Severity::Note,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $ring = $inspection->book->tenant->secondsPerRing;
        foreach ($inspection->book->all(Group::class) as $group) {
            $passes = count($group->withTurns(1)) * $group->ringsEach * $ring * $group->rotations;
            if (
                $group->noAnswerSeconds !== null
                && $group->queue === null
                && $group->order !== GroupOrder::Simultaneous
                && $group->tierTwo === TierTwo::Unavailable
                && $passes > 0
                && $group->noAnswerSeconds > 2 * $passes
            ) {
                yield Found::of(
                    [
                        'group' => $group->name,
                        'noAnswerSeconds' => $group->noAnswerSeconds,
                        'passes' => $passes,
                    ],
                    $group,
                )->at('noAnswerSeconds')
                    ->fixedBy(Fix::set("Set the limit to {$passes} s", $group, 'noAnswerSeconds', $passes));
            }
        }
    }
}
