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

/** A group that rings everybody at once for one offer after another, whatever its rings say, since no limit ends it. */
final readonly class NoLimit implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.no-limit',
            Severity::Warning,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            if (
                $group->order === GroupOrder::Simultaneous
                && $group->noAnswerSeconds === null
                && $group->queue === null
                && count($group->members) > 1
            ) {
                $seconds = $group->ringsEach * $group->rotations * $inspection->book->tenant->secondsPerRing;
                yield Found::of(
                    [
                        'group' => $group->name,
                        'ringsEach' => $group->ringsEach,
                        'rotations' => $group->rotations,
                        'seconds' => $seconds,
                    ],
                    $group,
                )
                    ->at('noAnswerSeconds')
                    ->fixedBy(Fix::set("Set the limit to {$seconds} s", $group, 'noAnswerSeconds', $seconds));
            }
        }
    }
}
