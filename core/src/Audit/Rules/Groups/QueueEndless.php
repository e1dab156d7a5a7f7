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

/** A queue without an end that callers cannot leave. */
final readonly class QueueEndless implements Rule
{
    public function about(): About
    {
        return new About(
            'groups.queue-endless',
            Severity::Warning,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Group::class) as $group) {
            if ($group->queue !== null && $group->queue->longestWait === null && $group->queue->exitKey === null) {
                yield Found::of(
                    ['group' => $group->name],
                    $group,
                )
                    ->at('queue/longestWait')
                    ->fixedBy(Fix::set('Let it be five minutes at most', $group, 'queue/longestWait', 300));
            }
        }
    }
}
