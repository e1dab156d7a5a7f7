<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Push;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Audit\Surroundings;
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
        if ($around !== null && ($around->pushed === null || $around->readOn === null) && $inspection->book->tenant->state === Stage::InService) {
            yield Finding::of($this->about(), $around->readOn === null ? 'The switch was never read' : 'The book was never pushed whole', 'The customer is in service.', $inspection->book->tenant);
        }
    }

    public function samples(): Samples
    {
        return Samples::surrounded(['tenant' => ['state' => 'in-service']], new Surroundings(pushed: 1, readOn: '2026-12-01'), new Surroundings(pushed: 1));
    }
}
