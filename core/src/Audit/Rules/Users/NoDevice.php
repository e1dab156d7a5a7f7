<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Users;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;

/** Somebody with an extension whom nothing can ring. */
final readonly class NoDevice implements Rule
{
    public function about(): About
    {
        return new About(
            'users.no-device',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $bare = array_values(array_filter(
            $inspection->book->all(User::class),
            static fn (User $user): bool => $user->status === UserStatus::Active
                && $user->extension !== null
                && $user->legs === []
                && $user->open->treatments['always'] === null,
        ));
        foreach ($bare as $user) {
            yield Found::of(
                ['user' => $user->label(), 'extension' => (string) $user->extension],
                $user,
            )->at('legs');
        }
    }
}
