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
            'More callers may wait in a queue than the switch keeps.',
            'Those beyond are turned away, as if it were full.',
            'Let fewer wait, and send the others on.',
            thresholds: [Threshold::MostWaiting],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            $most = $inspection->threshold(Threshold::MostWaiting);
            if ($group->queue !== null && $group->queue->most > $most) {
                yield Found::of(
                    "{$group->name}: {$group->queue->most} may wait, and the switch keeps {$most}",
                    'Whoever comes after those is treated as if the queue were full.',
                    $group,
                )->at('queue/most')->fixedBy(Fix::set("Let {$most} wait", $group, 'queue/most', $most));
            }
        }
    }
}
