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

/** A queue whose members all rest after one pass that nobody answered. */
final readonly class AllResting implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.all-resting',
            Severity::Warning,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $ring = $inspection->book->tenant->secondsPerRing;
        foreach ($inspection->book->all(Group::class) as $group) {
            $pass = (
                $group->order === GroupOrder::Simultaneous ? 1 : count($group->members)
            ) * $group->ringsEach * $ring;
            if ($group->queue !== null && $group->members !== [] && $group->restAfterNoAnswer >= $pass) {
                $rest = max(0, intdiv($pass, 2));
                yield Found::of(
                    [
                        'group' => $group->name,
                        'pass' => $pass,
                        'restAfterNoAnswer' => $group->restAfterNoAnswer,
                    ],
                    $group,
                )
                    ->at('restAfterNoAnswer')
                    ->fixedBy(Fix::set("Let them rest for {$rest} s", $group, 'restAfterNoAnswer', $rest));
            }
        }
    }
}
