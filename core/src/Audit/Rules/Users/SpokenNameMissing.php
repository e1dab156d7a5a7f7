<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Users;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\NameScope;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;

/** Somebody in the directory who has not recorded their name. */
final readonly class SpokenNameMissing implements Rule
{
    public function about(): About
    {
        return new About(
            'users.spoken-name-missing',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $open = array_filter(
            $inspection->book->all(Menu::class),
            static fn (Menu $menu): bool => $menu->dialByName['scope'] !== NameScope::Off,
        );
        $users = array_values(array_filter(
            $inspection->book->all(User::class),
            static fn (User $user): bool => $user->directory['listed']
                && ! $user->directory['spokenName']
                && $user->status === UserStatus::Active
                && $user->extension !== null,
        ));
        if ($open !== [] && $users !== []) {
            yield Found::of(
                [
                    'n' => count($users),
                    'first' => $users[0]->label(),
                    'users' => $inspection->names->several($users),
                ],
                count($users) === 1 ? $users[0] : $inspection->book->tenant,
            )
                ->at(count($users) === 1 ? 'directory/spokenName' : 'name')->counting(count($users));
        }
    }
}
