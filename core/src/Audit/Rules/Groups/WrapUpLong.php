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

/** A queue in which people rest while callers wait. */
final readonly class WrapUpLong implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.wrap-up-long',
            Severity::Warning,
            thresholds: [Threshold::LongestWrapUpSeconds],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $most = $inspection->threshold(Threshold::LongestWrapUpSeconds);
        foreach ($inspection->book->all(Group::class) as $group) {
            foreach (
                ['wrapUp' => $group->wrapUp, 'restAfterNoAnswer' => $group->restAfterNoAnswer] as $field => $seconds
            ) {
                if ($seconds > $most) {
                    yield Found::of(
                        ['group' => $group->name, 'seconds' => $seconds, 'most' => $most],
                        $group,
                    )->at($field, $field)->fixedBy(Fix::set("Make it {$most} s", $group, $field, $most));
                }
            }
        }
    }
}
