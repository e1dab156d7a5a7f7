<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Stage;

/** A customer in service who did not put their name to what emergency calls can and cannot do. */
final readonly class LimitsUnsigned implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.limits-unsigned',
            Severity::Warning,
            '47 CFR 9.11(b)(5), United States; Telecom Decision CRTC 2005-21, Canada',
            countries: ['US', 'CA'],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        if (
            $inspection->surroundings !== null
            && $inspection->surroundings->signed === null
            && $inspection->book->tenant->state === Stage::InService
        ) {
            yield Found::of(
                [],
                $inspection->book->tenant,
            );
        }
    }
}
