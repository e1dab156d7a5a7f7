<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Users;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;

/** Nothing is set for calls that somebody does not answer. */
final readonly class NoAnswerNowhere implements Rule
{
    public function about(): About
    {
        return new About(
            'users.no-answer-nowhere',
            Severity::Error,
            'A user has no mailbox and no treatment for calls they do not answer.',
            'Whoever calls them is cut off after the phone has rung.',
            'Give them a mailbox, or set the treatment once for the site or the customer.',
            explains: ['flow.dead-end'],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $callBook = $inspection->callBook();
        $lost = array_values(array_filter(
            $inspection->book->all(User::class),
            static fn (User $user): bool => $user->status === UserStatus::Active
                && $user->extension !== null
                && $user->open->treatments['always'] === null
                && $callBook->treatment($user, 'noAnswer', false) === null,
        ));
        if ($lost === []) {
            return;
        }
        // Missing at the customer's defaults it is one fault, not one for each user.
        yield Found::of(
            count($lost) === 1
                ? "{$lost[0]->label()}: no answer leads nowhere"
                : count($lost) . ' users: no answer leads nowhere',
            count($lost) === 1
                ? 'There is neither a mailbox nor a treatment of their own, their site\'s or the customer\'s.'
                : "{$inspection->names->listed($lost)} have neither a mailbox nor a treatment "
                    . "of their own, their site's or "
                    . "the customer's.",
            ...(count($lost) === 1 ? $lost : [$inspection->book->tenant, ...$lost]),
        )->at(count($lost) === 1 ? 'mailbox' : 'defaults/noAnswer')->counting(count($lost));
    }
}
