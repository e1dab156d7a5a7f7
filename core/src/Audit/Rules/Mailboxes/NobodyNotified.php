<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Mailboxes;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Mailbox;

/** A shared mailbox whose messages nobody learns of. */
final readonly class NobodyNotified implements Rule
{
    public function about(): About
    {
        return new About(
            'mailboxes.nobody-notified',
            Severity::Warning,
            'A mailbox that belongs to nobody takes messages, and nobody is told of them.',
            'They are found weeks later.',
            'Say who is told by mail, or whose mailbox it is.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Mailbox::class) as $mailbox) {
            if (
                $mailbox->enabled
                && $mailbox->owner === null
                && $mailbox->notify === []
                && $inspection->usesOf($mailbox) !== []
            ) {
                yield Found::of(
                    "{$mailbox->name}: nobody is told of its messages",
                    'It belongs to nobody, and no mail is sent.',
                    $mailbox,
                )->at('notify');
            }
        }
    }
}
