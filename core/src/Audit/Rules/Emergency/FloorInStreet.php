<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Site;

/** A floor typed into the street. */
final readonly class FloorInStreet implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.floor-in-street',
            Severity::Warning,
            'common practice; NENA civic address fields keep floor and unit apart from the street',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Site::class) as $site) {
            if (
                preg_match(
                    '/\b(\d+(?:st|nd|rd|th) floor|(?:floor|suite|unit|level)\s*#?\s*\w+)/i',
                    (string) ($site->address['street'] ?? ''),
                    $found,
                ) === 1
            ) {
                yield Found::of(
                    ['site' => $site->name, 'found' => $found[1]],
                    $site,
                )->at('address/street');
            }
        }
    }
}
