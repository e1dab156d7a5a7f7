<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Push;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Stage;

/** What was entered is not on the switch yet. */
final readonly class Pending implements Rule
{
    public function about(): About
    {
        return new About(
            'push.pending',
            Severity::Note,
            'Revisions were entered that are not pushed yet.',
            'Callers still get what was before.',
            'Push, or take them back.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $around = $inspection->surroundings;
        if (
            $around?->pushed !== null
            && $around->pushed < $around->revision
            && $inspection->book->tenant->state === Stage::InService
        ) {
            $behind = $around->revision - $around->pushed;
            yield Found::of(
                $behind === 1 ? '1 revision is not pushed yet' : "{$behind} revisions are not pushed yet",
                "Revision {$around->pushed} is on the switch, {$around->revision} in the book.",
                $inspection->book->tenant,
            )->counting($behind);
        }
    }
}
