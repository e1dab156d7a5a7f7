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
                    [
                        'group' => $group->name,
                        'ringsEach' => $group->ringsEach,
                        'noAnswerSeconds' => $group->noAnswerSeconds,
                        'meant' => $meant,
                    ],
                    $group,
                )->at('ringsEach')
                    ->fixedBy(Fix::set("Let it ring for {$meant} s", $group, 'noAnswerSeconds', $meant));
            }
            if ($group->rotations > 1) {
                yield Found::of(
                    [
                        'group' => $group->name,
                        'rotations' => $group->rotations,
                        'noAnswerSeconds' => $group->noAnswerSeconds,
                    ],
                    $group,
                )->saying('passes')->at('rotations')->fixedBy(Fix::set('Set one pass', $group, 'rotations', 1));
            }
        }
    }
}
