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

/** A telephone that stops ringing before anybody can pick it up. */
final readonly class RingsTooShort implements Rule
{
    public function about(): About
    {
        return new About(
            'users.rings-too-short',
            Severity::Warning,
            thresholds: [Threshold::FewestRings],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $least = $inspection->threshold(Threshold::FewestRings) * $inspection->book->tenant->secondsPerRing;
        foreach ($inspection->book->all(User::class) as $user) {
            foreach ($user->legs as $leg) {
                if ($leg->seconds < $least) {
                    yield Found::of(
                        [
                            'user' => $user->label(),
                            'seconds' => $leg->seconds,
                            'threshold' => $inspection->threshold(Threshold::FewestRings),
                        ],
                        $user,
                    )
                        ->at("legs/{$leg->item}/seconds", $leg->item)
                        ->fixedBy(Fix::set('Let it ring for 20 s', $user, "legs/{$leg->item}/seconds", 20));
                }
            }
        }
    }
}
