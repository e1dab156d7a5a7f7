<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Users;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\LegKind;
use Jaunty\Core\Book\User;

/** Somebody's mobile rings beside the desk phone, and its own mailbox is quicker than theirs. */
final readonly class OutsideLegMailboxTakesCall implements Rule
{
    public function about(): About
    {
        return new About(
            'users.outside-leg-mailbox-takes-call',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(User::class) as $user) {
            foreach ($user->legs as $leg) {
                if ($leg->legKind !== LegKind::Outside || $leg->number === null || $leg->confirm) {
                    continue;
                }
                $there = $inspection->names->of("outside:{$leg->number}");
                yield Found::of(
                    [
                        'user' => $user->label(),
                        'there' => $there,
                        'late' => $leg->seconds > $leg->mailboxAfter ? 'yes' : 'no',
                        'seconds' => $leg->seconds,
                        'mailboxAfter' => $leg->mailboxAfter,
                    ],
                    $user,
                )->at("legs/{$leg->item}/confirm", $leg->item)
                    ->fixedBy(Fix::set('Ask for a key before it connects', $user, "legs/{$leg->item}/confirm", true));
            }
        }
    }
}
