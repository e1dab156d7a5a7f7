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
            'What catches calls while telephones cannot be reached is at the same site.',
            'When the line of the site is down, neither can be reached.',
            'Send them to a mailbox, a mobile, or somebody at another site.',
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
                    "{$user->label()}: unreachable calls go to the same site",
                    "{$to->label()} sits at {$inspection->names->of($user->site)} as well.",
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
