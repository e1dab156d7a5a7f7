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

/** Somebody may call farther than the template lets people call. */
final readonly class ClassWiderThanTemplate implements Rule
{
    public function about(): About
    {
        return new About(
            'users.class-wider-than-template',
            Severity::Warning,
            'A user may call farther than the template made it.',
            'Classes are widened for one call and forgotten; thieves of passwords use the widest.',
            'Take the class back, or say why in the history.',
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
                    "{$user->label()} may call {$user->callingClass->value}, not only {$was->callingClass->value}",
                    'The template made it the narrower one.',
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
