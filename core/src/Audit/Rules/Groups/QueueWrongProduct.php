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

/** A queue beyond what a hunt group is for. */
final readonly class QueueWrongProduct implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.queue-wrong-product',
            Severity::Error,
            explains: ['groups.queue-long'],
            thresholds: [Threshold::TooManyWaiting],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $most = $inspection->threshold(Threshold::TooManyWaiting);
        foreach ($inspection->book->all(Group::class) as $group) {
            if ($group->queue !== null && $group->queue->most > $most) {
                yield Found::of(
                    ['group' => $group->name, 'most' => $group->queue->most, 'bound' => $most],
                    $group,
                )->at('queue/most')->fixedBy(Fix::set("Let {$most} wait", $group, 'queue/most', $most));
            }
        }
    }
}
