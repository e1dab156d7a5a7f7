<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Outbound;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\CallingClass;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;

/** Everybody may call abroad. */
final readonly class InternationalForEverybody implements Rule
{
    /** Of fewer, each may well need it. */
    private const SOME = 3;

    public function about(): About
    {
        return new About(
            'outbound.international-for-everybody',
            Severity::Note,
            'common practice against toll fraud',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $users = array_values(array_filter(
            $inspection->book->all(User::class),
            static fn (User $user): bool => $user->status === UserStatus::Active,
        ));
        $abroad = array_filter(
            $users,
            static fn (User $user): bool => $user->callingClass === CallingClass::International,
        );
        if (count($users) >= self::SOME && count($abroad) === count($users)) {
            yield Found::of(
                ['n' => count($users)],
                $inspection->book->tenant,
            )->at('region')->counting(count($users));
        }
    }
}
