<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Users;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\User;

/** Somebody's calls go, when their site is dark, to somebody at the same site. */
final readonly class BackupInSameOutage implements Rule
{
    public function about(): About
    {
        return new About(
            'users.backup-in-same-outage',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(User::class) as $user) {
            $to = $inspection->find(($user->open->treatments['unreachable'] ?? null)?->outside, User::class);
            if (
                $to !== null
                && $user->site !== null
                && $to->site?->equals($user->site) === true
                && $to->key !== $user->key
            ) {
                yield Found::of(
                    [
                        'user' => $user->label(),
                        'to' => $to->label(),
                        'site' => $inspection->names->said($user->site),
                    ],
                    $user,
                    $to,
                )->at('handling/open/unreachable')
                    ->fixedBy($user->mailbox === null ? null : Fix::set(
                        'Send them to the mailbox',
                        $user,
                        'handling/open/unreachable',
                        (string) $user->mailbox,
                    ));
            }
        }
    }
}
