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

/** Passes set for a group that rings everybody at once until its limit. */
final readonly class RingsIgnored implements Rule
{
    /** As a group comes. */
    private const UNTOUCHED = 3;

    public function about(): About
    {
        return new About(
            'groups.rings-ignored',
            Severity::Warning,
            'A group rings everybody at once until its limit, and yet has several passes.',
            'With a limit, such a group rings once, for as long as the limit says: rings and passes mean nothing, and '
                . 'somebody believes they do.',
            'Set one pass, and the limit to as long as it is to ring.',
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            if (
                $group->order !== GroupOrder::Simultaneous || $group->noAnswerSeconds === null || $group->queue !== null
            ) {
                continue;
            }
            $meant = $group->ringsEach * $inspection->book->tenant->secondsPerRing;
            if ($group->rotations === 1 && $meant > $group->noAnswerSeconds && $group->ringsEach !== self::UNTOUCHED) {
                yield Found::of(
                    "{$group->name}: {$group->ringsEach} rings mean nothing while all ring at once",
                    "It rings once, for {$group->noAnswerSeconds} s, and not for {$meant}.",
                    $group,
                )->at('ringsEach')
                    ->fixedBy(Fix::set("Let it ring for {$meant} s", $group, 'noAnswerSeconds', $meant));
            }
            if ($group->rotations > 1) {
                yield Found::of(
                    "{$group->name}: {$group->rotations} passes mean nothing while all ring at once",
                    "It rings once, for {$group->noAnswerSeconds} s.",
                    $group,
                )->at('rotations')->fixedBy(Fix::set('Set one pass', $group, 'rotations', 1));
            }
        }
    }
}
