<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Users;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Leg;
use Jaunty\Core\Book\LegKind;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;

/** Somebody with a telephone of whom nobody knows where they are. */
final readonly class EmergencyLocationMissing implements Rule
{
    public function about(): About
    {
        return new About(
            'users.emergency-location-missing',
            Severity::Error,
            '47 CFR 9.16(b)(3) in the United States; elsewhere common practice',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $lost = array_values(array_filter(
            $inspection->book->all(Site::class) === [] ? [] : $inspection->book->all(User::class),
            static fn (User $user): bool => $user->status === UserStatus::Active
                && $user->site === null
                && $user->emergency['address'] === null
                && array_filter($user->legs, static fn (Leg $leg): bool => $leg->legKind !== LegKind::Outside) !== [],
        ));
        if ($lost !== []) {
            yield Found::of(
                [
                    'n' => count($lost),
                    'first' => $lost[0]->label(),
                    'lost' => $inspection->names->several($lost),
                ],
                ...$lost,
            )->at('site')->counting(count($lost));
        }
    }
}
