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

/** A hunt group's no-answer limit ends before everybody in it was rung. */
final readonly class LimitShorterThanOnePass implements Rule
{
    /** Of all passes, in tenths. */
    private const ALLOWANCE = 11;

    public function about(): About
    {
        return new About(
            'groups.limit-shorter-than-one-pass',
            Severity::Error,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $ring = $inspection->book->tenant->secondsPerRing;
        foreach ($inspection->book->all(Group::class) as $group) {
            // In a queue the wait begins anew with each offer, and whoever rings at once has no place in a line.
            if (
                $group->noAnswerSeconds === null || $group->queue !== null || $group->order === GroupOrder::Simultaneous
            ) {
                continue;
            }
            $each = $group->ringsEach * $ring;
            $members = $group->withTurns(1);
            $pass = count($members) * $each;
            $late = array_values(array_filter(
                $members,
                static fn (Member $member, int $place): bool => ($place + 1) * $each > $group->noAnswerSeconds,
                ARRAY_FILTER_USE_BOTH,
            ));
            if ($late === []) {
                continue;
            }
            // In whole rings and whole numbers: a tenth of 100 is not a little more than 10.
            $tenths = $pass * max(1, $group->rotations) * self::ALLOWANCE;
            $limit = intdiv($tenths + 10 * $ring - 1, 10 * $ring) * $ring;
            $names = $inspection->names->several(
                array_map(static fn (Member $member): string => (string) $member->who, $late),
            );
            yield Found::of(
                [
                    'group' => $group->name,
                    'order' => $group->order === GroupOrder::Sequential ? 'known' : 'unknown',
                    'names' => $names,
                    'n' => count($late),
                    'pass' => $pass,
                    'noAnswerSeconds' => $group->noAnswerSeconds,
                ],
                $group,
            )->at('noAnswerSeconds')->counting(count($late))->fixedBy(
                Fix::set("Set the limit to {$limit} s", $group, 'noAnswerSeconds', $limit),
            );
        }
    }
}
