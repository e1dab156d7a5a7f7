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
                ['behind' => $behind, 'pushed' => $around->pushed, 'revision' => $around->revision],
                $inspection->book->tenant,
            )->counting($behind);
        }
    }
}
