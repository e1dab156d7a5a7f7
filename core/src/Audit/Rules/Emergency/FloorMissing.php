<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;
use Jaunty\Core\Places\Elsewhere;
use Jaunty\Core\Words\Listing;

/** People at a site with floors, of whom nobody knows on which. */
final readonly class FloorMissing implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.floor-missing',
            Severity::Note,
            '47 CFR 9.16(b)(3) in the United States asks for a dispatchable location; elsewhere common practice',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        // Whoever works elsewhere is looked for by another rule.
        $elsewhere = array_flip(array_map(
            static fn (User $user): string => $user->key,
            Elsewhere::of($inspection->book),
        ));
        foreach ($inspection->book->all(Site::class) as $site) {
            $lost = array_values(array_filter(
                $inspection->book->all(User::class),
                static fn (User $user): bool => $user->site?->equals(Reference::of($site)) === true
                    && $user->status === UserStatus::Active
                    && $user->emergency['floor'] === null
                    && $user->emergency['room'] === null
                    && ! isset($elsewhere[$user->key]),
            ));
            if (count($site->floors) > 1 && $lost !== []) {
                yield Found::of(
                    [
                        'site' => $site->name,
                        'n' => count($lost),
                        'first' => $lost[0]->label(),
                        'count' => count($site->floors),
                        'floors' => Listing::of(array_column($site->floors, 'name')),
                    ],
                    $site,
                )->at('floors')->counting(count($lost));
            }
        }
    }
}
