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
            'A customer is in service, and did not put their name to the limits of emergency calling.',
            'The law asks that they were told, and that they said so: a call may fail in a power cut, and from another '
                . 'place it shows the wrong address.',
            'Have the customer sign how the book stands, and note the signature under Push.',
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
                'The limits of emergency calling are not signed',
                'The customer is in service.',
                $inspection->book->tenant,
            );
        }
    }
}
