<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Names;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\User;
use Jaunty\Core\Words\Listing;
use Jaunty\Core\Words\Message;

/** Two people called alike. */
final readonly class DuplicateDisplay implements Rule
{
    public function about(): About
    {
        return new About(
            'names.duplicate-display',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $alike = [];
        foreach ($inspection->book->all(User::class) as $user) {
            $alike[mb_strtolower($user->label())][] = $user;
        }
        foreach ($alike as $users) {
            if (count($users) > 1) {
                yield Found::of(
                    [
                        'n' => count($users),
                        'first' => $users[0]->label(),
                        'extensions' => Listing::of(array_map(
                            static fn (User $user): string|Message => $user->extension ?? new Message('none'),
                            $users,
                        )),
                    ],
                    ...$users,
                )->at('name/last')->counting(count($users));
            }
        }
    }
}
