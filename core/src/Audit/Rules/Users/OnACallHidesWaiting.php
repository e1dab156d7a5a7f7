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
use Jaunty\Core\Book\UserStatus;

/** Call waiting that nobody hears. */
final readonly class OnACallHidesWaiting implements Rule
{
    public function about(): About
    {
        return new About(
            'users.on-a-call-hides-waiting',
            Severity::Note,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(User::class) as $user) {
            foreach (
                ['open' => $user->open, 'closed' => $user->closed, 'holiday' => $user->holiday] as $state => $handling
            ) {
                if ($user->callWaiting && $user->status === UserStatus::Active && isset(
                    $handling?->treatments['onACall'],
                )) {
                    yield Found::of(
                        ['user' => $user->label()],
                        $user,
                    )->at("handling/{$state}/onACall")
                        ->fixedBy(Fix::set('Take call waiting off', $user, 'callWaiting', false));
                    break;
                }
            }
        }
    }
}
