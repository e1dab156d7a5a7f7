<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Users;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;

/** Somebody whose calls never ring, though they have telephones. */
final readonly class NeverRings implements Rule
{
    public function about(): About
    {
        return new About(
            'users.never-rings',
            Severity::Note,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(User::class) as $user) {
            $always = $user->open->treatments['always'] ?? null;
            if (
                $user->status === UserStatus::Active
                && $user->legs !== []
                && $always?->outside !== null
                && $always->inside !== null
                && $user->closed === null
                && $user->holiday === null
            ) {
                yield Found::of(
                    ['user' => $user->label(), 'outside' => $inspection->names->said($always->outside)],
                    $user,
                )->at('handling/open/always')->fixedBy(Fix::set('Let it ring', $user, 'handling/open/always', null));
            }
        }
    }
}
