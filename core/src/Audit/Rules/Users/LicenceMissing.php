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

/** Somebody with a kind of licence the customer has none of. */
final readonly class LicenceMissing implements Rule
{
    public function about(): About
    {
        return new About(
            'users.licence-missing',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $has = $inspection->book->tenant->licences;
        $without = [];
        foreach ($has === [] ? [] : $inspection->book->all(User::class) as $user) {
            if (($has[$user->licence] ?? 0) === 0 && $user->status !== UserStatus::Leaver) {
                $without[$user->licence][] = $user;
            }
        }
        foreach ($without as $licence => $users) {
            yield Found::of(
                [
                    'n' => count($users),
                    'first' => $users[0]->label(),
                    'licence' => $licence,
                    'users' => $inspection->names->several($users),
                ],
                $users[0],
                ...array_slice($users, 1),
            )->at('licence')->counting(count($users));
        }
    }
}
