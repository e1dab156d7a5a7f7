<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Access;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\GrantSeen;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;

/** Grants that ran out are still listed. */
final readonly class GrantExpired implements Rule
{
    public function about(): About
    {
        return new About(
            'access.grant-expired',
            Severity::Note,
            'Somebody\'s grant for this customer ran out and was not taken away.',
            'Lists of who may do what are read in a hurry: what opens nothing any more should not stand in them.',
            'Take it away, or give it anew.',
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
                count($expired) === 1
                    ? "The grant of {$expired[0]->name} has run out"
                    : count($expired) . ' grants have run out',
                'Of '
                    . implode(', ', array_map(
                        static fn (GrantSeen $grant): string => "{$grant->name} ({$grant->ability})",
                        array_slice($expired, 0, 3),
                    ))
                    . '.',
                $inspection->book->tenant,
            )->counting(count($expired));
        }
    }
}
