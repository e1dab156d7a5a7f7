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

/** A queue in which many may wait. */
final readonly class QueueLong implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.queue-long',
            Severity::Warning,
            thresholds: [Threshold::ManyWaiting],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $many = $inspection->threshold(Threshold::ManyWaiting);
        foreach ($inspection->book->all(Group::class) as $group) {
            if ($group->queue !== null && $group->queue->most > $many) {
                yield Found::of(
                    ['group' => $group->name, 'most' => $group->queue->most, 'many' => $many],
                    $group,
                )->at('queue/most')->fixedBy(Fix::set("Let {$many} wait", $group, 'queue/most', $many));
            }
        }
    }
}
