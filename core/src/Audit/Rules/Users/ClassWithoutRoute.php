<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Users;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\CallingClass;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;
use Jaunty\Core\Words\Message;

/** Somebody whose class lets no route be used. */
final readonly class ClassWithoutRoute implements Rule
{
    public function about(): About
    {
        return new About(
            'users.class-without-route',
            Severity::Error,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $classes = [];
        foreach ($inspection->book->all(Route::class) as $route) {
            if (! $route->emergency) {
                $classes[] = $route->class;
            }
        }
        if ($classes === []) {
            return;
        }
        $least = $classes[0];
        foreach ($classes as $class) {
            $least = $least->covers($class) ? $class : $least;
        }
        $shut = array_values(array_filter(
            $inspection->book->all(User::class),
            static fn (User $user): bool => $user->status === UserStatus::Active
                && $user->callingClass !== CallingClass::Internal
                && ! $user->callingClass->covers($least),
        ));
        foreach ($shut as $user) {
            yield Found::of(
                [
                    'user' => $user->label(),
                    'class' => new Message("class/{$user->callingClass->value}"),
                    'least' => new Message("class/{$least->value}"),
                ],
                $user,
            )->at('callingClass')
                ->fixedBy(Fix::set("Let them call {$least->value}", $user, 'callingClass', $least->value));
        }
    }
}
