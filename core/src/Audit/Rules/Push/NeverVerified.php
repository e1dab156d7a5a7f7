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
            'A customer is in service, and the switch was never pushed to or never read.',
            'Nobody knows whether callers get what the book says.',
            'Push, or read the switch.',
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
                $around->readOn === null ? 'The switch was never read' : 'The book was never pushed whole',
                'The customer is in service.',
                $inspection->book->tenant,
            );
        }
    }
}
