<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Access;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\GrantSeen;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Words\Listing;

/** Somebody may push for ever to a customer that is another's to look after. */
final readonly class GrantTooWide implements Rule
{
    public function about(): About
    {
        return new About(
            'access.grant-too-wide',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $wide = array_values(array_filter(
            $inspection->surroundings->grants ?? [],
            static fn (GrantSeen $grant): bool => $grant->ability === 'push'
                && $grant->until === null
                && ! $grant->looksAfter,
        ));
        if ($wide !== []) {
            yield Found::of(
                [
                    'names' => Listing::firstOf(array_column($wide, 'name'), 3),
                ],
                $inspection->book->tenant,
            )->counting(count($wide));
        }
    }
}
