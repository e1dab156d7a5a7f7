<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Users;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Book\User;

/** A telephone that rings for longer than callers wait. */
final readonly class RingsTooLong implements Rule
{
    public function about(): About
    {
        return new About(
            'users.rings-too-long',
            Severity::Warning,
            thresholds: [Threshold::LongestWaitSeconds],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $most = $inspection->threshold(Threshold::LongestWaitSeconds);
        foreach ($inspection->book->all(User::class) as $user) {
            foreach ($user->legs as $leg) {
                if ($leg->seconds > $most) {
                    yield Found::of(
                        ['user' => $user->label(), 'seconds' => $leg->seconds, 'most' => $most],
                        $user,
                    )
                        ->at("legs/{$leg->item}/seconds", $leg->item)
                        ->fixedBy(Fix::set('Let it ring for 30 s', $user, "legs/{$leg->item}/seconds", 30));
                }
            }
        }
    }
}
