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
            'Messages are deleted once a mail is sent, and the mail does not carry them, or goes to nobody.',
            'They are gone before anybody has heard them.',
            'Attach the sound to the mail, or keep the messages.',
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Mailbox::class) as $mailbox) {
            if ($mailbox->deleteAfterMail && $mailbox->notify === []) {
                yield Found::of(
                    "{$mailbox->name} deletes messages once they are mailed, and mails them to nobody",
                    'There is no address.',
                    $mailbox,
                )->at('notify', 'notify')
                    ->fixedBy(Fix::set('Keep the messages', $mailbox, 'deleteAfterMail', false));
            }
            if ($mailbox->deleteAfterMail && ! $mailbox->attachAudio) {
                yield Found::of(
                    "{$mailbox->name} deletes messages that nobody has heard",
                    'The mail says that there was one, and it is gone.',
                    $mailbox,
                )->at('attachAudio')->fixedBy(Fix::set('Attach the sound', $mailbox, 'attachAudio', true));
            }
        }
    }
}
