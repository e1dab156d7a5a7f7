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

/** A queue in which more callers may wait than switches commonly keep. */
final readonly class QueueLongerThanTargetSupports implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.queue-longer-than-target-supports',
            Severity::Warning,
            thresholds: [Threshold::MostWaiting],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            $most = $inspection->threshold(Threshold::MostWaiting);
            if ($group->queue !== null && $group->queue->most > $most) {
                yield Found::of(
                    ['group' => $group->name, 'most' => $group->queue->most, 'kept' => $most],
                    $group,
                )->at('queue/most')->fixedBy(Fix::set("Let {$most} wait", $group, 'queue/most', $most));
            }
        }
    }
}
