<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Access;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\GrantSeen;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;

/** Somebody may push for ever to a customer that is another's to look after. */
final readonly class GrantTooWide implements Rule
{
    public function about(): About
    {
        return new About(
            'access.grant-too-wide',
            Severity::Note,
            'Somebody may push to this customer without an end, and it is not theirs to look after.',
            'A grant given for one piece of work stays, and so does what a stolen password opens.',
            'Let it end on a day, or narrow it.',
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
                implode(', ', array_map(static fn (GrantSeen $grant): string => $grant->name, array_slice($wide, 0, 3)))
                    . ' may push here for ever',
                'The customer is looked after by somebody else.',
                $inspection->book->tenant,
            )->counting(count($wide));
        }
    }
}
