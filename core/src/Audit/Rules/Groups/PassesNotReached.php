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

/** Passes that never begin, as the limit ends before them. */
final readonly class PassesNotReached implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.passes-not-reached',
            Severity::Warning,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $ring = $inspection->book->tenant->secondsPerRing;
        foreach ($inspection->book->all(Group::class) as $group) {
            $pass = count($group->withTurns(1)) * $group->ringsEach * $ring;
            $limit = $group->noAnswerSeconds;
            if (
                $limit === null
                || $pass === 0
                // One pass that is cut short is a fault of its own.
                || $limit < $pass
                || $limit > $pass * ($group->rotations - 1)
                || $group->queue !== null
                || $group->order === GroupOrder::Simultaneous
                || $group->tierTwo !== TierTwo::Unavailable
            ) {
                continue;
            }
            $whole = $pass * $group->rotations;
            yield Found::of(
                [
                    'group' => $group->name,
                    'rotations' => $group->rotations,
                    'begun' => intdiv($limit - 1, $pass) + 1,
                    'pass' => $pass,
                    'noAnswerSeconds' => $limit,
                ],
                $group,
            )->at('noAnswerSeconds')
                ->fixedBy(Fix::set("Set the limit to {$whole} s", $group, 'noAnswerSeconds', $whole));
        }
    }
}
