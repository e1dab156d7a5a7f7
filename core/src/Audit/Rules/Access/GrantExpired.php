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

/** Grants that ran out are still listed. */
final readonly class GrantExpired implements Rule
{
    public function about(): About
    {
        return new About(
            'access.grant-expired',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $expired = array_values(array_filter(
            $inspection->surroundings->grants ?? [],
            static fn (GrantSeen $grant): bool => $grant->until !== null && $grant->until < $inspection->now,
        ));
        if ($expired !== []) {
            yield Found::of(
                [
                    'n' => count($expired),
                    'first' => $expired[0]->name,
                    'grants' => Listing::firstOf(array_map(
                        static fn (GrantSeen $grant): string => "{$grant->name} ({$grant->ability})",
                        $expired,
                    ), 3),
                ],
                $inspection->book->tenant,
            )->counting(count($expired));
        }
    }
}
