<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Push;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Words\Day;

/** Changes that have waited for a push. */
final readonly class PendingLong implements Rule
{
    public function about(): About
    {
        return new About(
            'push.pending-long',
            Severity::Warning,
            thresholds: [Threshold::PendingDays],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $since = $inspection->surroundings?->waitingSince;
        $most = $inspection->threshold(Threshold::PendingDays);
        if ($since !== null && $inspection->day->number() - LocalDate::parse($since) > $most) {
            yield Found::of(
                ['since' => new Day($since), 'most' => $most],
                $inspection->book->tenant,
            )->at('name');
        }
    }
}
