<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\Stage;
use Jaunty\Core\Book\User;
use Jaunty\Core\Words\Day;

/** A customer in service from whose site emergency services were never called to try it. */
final readonly class Untested implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.untested',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        if ($inspection->surroundings === null || $inspection->book->tenant->state !== Stage::InService) {
            return;
        }
        foreach ($inspection->book->all(Site::class) as $site) {
            $hasPeople = array_filter(
                $inspection->usesOf($site),
                static fn (array $use): bool => $use[0] instanceof User,
            ) !== [];
            $test = $inspection->surroundings->testOf($site);
            if ($hasPeople && $test === null) {
                yield Found::of(['site' => $site->name], $site)->at('emergency');
            } elseif ($hasPeople && $test->passed && $test->basis() === null) {
                // A date that somebody typed is no evidence of what was shown and read back.
                yield Found::of(
                    ['site' => $site->name, 'on' => new Day($test->on)],
                    $site,
                )->saying('noted')->at('emergency');
            }
        }
    }
}
