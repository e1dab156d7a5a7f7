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
use Jaunty\Core\Book\Leg;
use Jaunty\Core\Book\User;

/** A group waits for a member whose telephone has stopped ringing. */
final readonly class RingsMoreThanTargetRings implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.rings-more-than-target-rings',
            Severity::Note,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            if ($group->order === GroupOrder::Simultaneous) {
                continue;
            }
            $seconds = $group->ringsEach * $inspection->book->tenant->secondsPerRing;
            $short = [];
            foreach ($group->members as $member) {
                $user = $inspection->find($member->who, User::class);
                $rings = array_map(
                    static fn (Leg $leg): int => $leg->seconds,
                    array_filter($user->legs ?? [], static fn (Leg $leg): bool => $leg->forGroups),
                );
                if ($user !== null && $rings !== [] && max($rings) < $seconds) {
                    $short[] = $user;
                }
            }
            if ($short !== []) {
                yield Found::of(
                    [
                        'group' => $group->name,
                        'seconds' => $seconds,
                        'short' => $inspection->names->several($short),
                        'n' => count($short),
                    ],
                    $group,
                )->at('ringsEach')->counting(count($short));
            }
        }
    }
}
