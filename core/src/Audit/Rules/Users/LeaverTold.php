<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Users;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Mailbox;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;

/** Messages that go to somebody who has left. */
final readonly class LeaverTold implements Rule
{
    public function about(): About
    {
        return new About(
            'users.leaver-told',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(User::class) as $user) {
            $address = mb_strtolower($user->email ?? '');
            if ($user->status !== UserStatus::Leaver || $address === '') {
                continue;
            }
            foreach ([...$inspection->book->all(Mailbox::class), ...$inspection->book->all(Site::class)] as $object) {
                $told = $object instanceof Site ? $object->emergency->notify : $object->notify;
                if (in_array($address, array_map(mb_strtolower(...), $told), true)) {
                    $field = $object instanceof Site ? 'emergency/notify' : 'notify';
                    yield Found::of(
                        ['user' => $user->label(), 'object' => $object->name, 'email' => (string) $user->email],
                        $object,
                        $user,
                    )->at($field)
                        ->fixedBy(
                            count($told) < 2
                            ? null
                            : Fix::set("Tell {$user->email} no more", $object, $field, array_values(
                                array_filter(
                                    $told,
                                    static fn (string $each): bool => mb_strtolower($each) !== $address,
                                ),
                            )),
                        );
                }
            }
        }
    }
}
