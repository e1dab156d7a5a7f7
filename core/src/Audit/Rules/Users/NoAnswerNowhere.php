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
            ['n' => count($lost), 'first' => $lost[0]->label(), 'lost' => $inspection->names->several($lost)],
            ...(count($lost) === 1 ? $lost : [$inspection->book->tenant, ...$lost]),
        )->at(count($lost) === 1 ? 'mailbox' : 'defaults/noAnswer')->counting(count($lost));
    }
}
