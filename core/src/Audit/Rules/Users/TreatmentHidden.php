<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Users;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Treatment;
use Jaunty\Core\Book\User;
use Jaunty\Core\Words\Listing;

/** Treatments behind one that sends every call on. */
final readonly class TreatmentHidden implements Rule
{
    public function about(): About
    {
        return new About(
            'users.treatment-hidden',
            Severity::Note,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(User::class) as $user) {
            $always = $user->open->treatments['always'] ?? null;
            $others = array_keys(array_filter(
                array_diff_key($user->open->treatments, ['always' => true]),
                static fn (?Treatment $treatment): bool => $treatment !== null,
            ));
            if ($always?->outside !== null && $always->inside !== null && $others !== []) {
                yield Found::of(
                    [
                        'user' => $user->label(),
                        'others' => Listing::ofMessages('treatment', $others),
                    ],
                    $user,
                )->at('handling/open/always')->counting(count($others));
            }
        }
    }
}
