<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Push;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Stage;

/** A customer in service of whom it was never seen what the switch holds. */
final readonly class NeverVerified implements Rule
{
    public function about(): About
    {
        return new About(
            'push.never-verified',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $around = $inspection->surroundings;
        if (
            $around !== null
            && ($around->pushed === null || $around->readOn === null)
            && $inspection->book->tenant->state === Stage::InService
        ) {
            yield Found::of(
                ['read' => $around->readOn === null ? 'never' : 'once'],
                $inspection->book->tenant,
            );
        }
    }
}
