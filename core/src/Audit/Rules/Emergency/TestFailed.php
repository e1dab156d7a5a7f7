<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Words\Day;

/** A test call for help that showed or said something wrong, and none since. */
final readonly class TestFailed implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.test-failed',
            Severity::Error,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Site::class) as $site) {
            $test = $inspection->surroundings?->testOf($site);
            if ($test?->passed === false) {
                yield Found::of(['site' => $site->name, 'on' => new Day($test->on)], $site)->at('emergency');
            }
        }
    }
}
