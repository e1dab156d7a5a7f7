<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Places\TestBasis;
use Jaunty\Core\Words\Day;
use Jaunty\Core\Words\Listing;

/** A test call for help that was right, of a site that is otherwise since. */
final readonly class TestStale implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.test-stale',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $tests = $inspection->surroundings->tests ?? [];
        $now = $tests === [] ? [] : TestBasis::ofAll($inspection->book);
        foreach ($tests === [] ? [] : $inspection->book->all(Site::class) as $site) {
            $test = $inspection->surroundings?->testOf($site);
            $then = $test?->passed === true ? $test->basis() : null;
            $changed = $then?->changes($now[$site->key]) ?? [];
            if ($test !== null && $changed !== []) {
                yield Found::of([
                    'site' => $site->name, 'on' => new Day($test->on),
                    'changed' => Listing::ofMessages('tested', $changed),
                ], $site)->at($changed[0] === 'address' ? 'address' : 'emergency');
            }
        }
    }
}
