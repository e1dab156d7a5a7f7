<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Mailboxes;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Mailbox;

/** A mailbox that deletes messages nobody can hear any more. */
final readonly class DeletesUnsent implements Rule
{
    public function about(): About
    {
        return new About(
            'mailboxes.deletes-unsent',
            Severity::Error,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Mailbox::class) as $mailbox) {
            if ($mailbox->deleteAfterMail && $mailbox->notify === []) {
                yield Found::of(
                    ['mailbox' => $mailbox->name],
                    $mailbox,
                )->at('notify', 'notify')
                    ->fixedBy(Fix::set('Keep the messages', $mailbox, 'deleteAfterMail', false));
            }
            if ($mailbox->deleteAfterMail && ! $mailbox->attachAudio) {
                yield Found::of(
                    ['mailbox' => $mailbox->name],
                    $mailbox,
                )->saying('unheard')->at('attachAudio')->fixedBy(
                    Fix::set('Attach the sound', $mailbox, 'attachAudio', true),
                );
            }
        }
    }
}
