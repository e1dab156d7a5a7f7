<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Users;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\User;
use Jaunty\Core\Words\Message;

/** Somebody may call farther than the template lets people call. */
final readonly class ClassWiderThanTemplate implements Rule
{
    public function about(): About
    {
        return new About(
            'users.class-wider-than-template',
            Severity::Warning,
            'common practice against toll fraud',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $made = $inspection->surroundings?->made;
        if ($made === null) {
            return;
        }
        foreach ($inspection->book->all(User::class) as $user) {
            $was = $made->find(Reference::of($user));
            if ($was instanceof User && $user->callingClass !== $was->callingClass && $user->callingClass->covers(
                $was->callingClass,
            )) {
                yield Found::of(
                    [
                        'user' => $user->label(),
                        'class' => new Message("class/{$user->callingClass->value}"),
                        'made' => new Message("class/{$was->callingClass->value}"),
                    ],
                    $user,
                )->at('callingClass')
                    ->fixedBy(Fix::set(
                        "Let them call {$was->callingClass->value} again",
                        $user,
                        'callingClass',
                        $was->callingClass->value,
                    ));
            }
        }
    }
}
