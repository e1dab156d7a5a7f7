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

/** A mail address that several users have. */
final readonly class DuplicateEmail implements Rule
{
    public function about(): About
    {
        return new About(
            'users.duplicate-email',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $holders = [];
        foreach ($inspection->book->all(User::class) as $user) {
            if ($user->email !== null && $user->status !== UserStatus::Leaver) {
                $holders[strtolower($user->email)][] = $user;
            }
        }
        foreach ($holders as $users) {
            if (count($users) > 1) {
                yield Found::of(
                    ['users' => $inspection->names->several($users), 'address' => (string) $users[0]->email],
                    ...$users,
                )->at('email')->counting(count($users));
            }
        }
    }
}
