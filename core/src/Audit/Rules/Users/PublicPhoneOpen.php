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
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;
use Jaunty\Core\Words\Message;

/** A telephone that anybody walks up to, with a wide calling class. */
final readonly class PublicPhoneOpen implements Rule
{
    private const PUBLIC = '/\b(?:lobby|foyer|waiting room|break ?room|canteen|hallway|corridor|courtesy|public '
        . '(?:phone|telephone)|stairwell|car park|parking)\b/iu';

    public function about(): About
    {
        return new About(
            'users.public-phone-open',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(User::class) as $user) {
            $where = implode(
                ' ',
                array_filter([$user->label(), $user->display, $user->emergency['room']], is_string(...)),
            );
            if (
                $user->status === UserStatus::Active
                && $user->callingClass->covers(CallingClass::National)
                && preg_match(self::PUBLIC, $where, $found) === 1
            ) {
                yield Found::of(
                    [
                        'user' => $user->label(),
                        'class' => new Message("class/{$user->callingClass->value}"),
                        'word' => $found[0],
                    ],
                    $user,
                )->at('callingClass')
                    ->fixedBy(
                        Fix::set('Let it call inside only', $user, 'callingClass', CallingClass::Internal->value),
                    );
            }
        }
    }
}
