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
                    ['mailbox' => $mailbox->name],
                    $mailbox,
                )->at('notify');
            }
        }
    }
}
