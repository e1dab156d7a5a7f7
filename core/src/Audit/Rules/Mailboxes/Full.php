<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Mailboxes;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Mailbox;

/** A mailbox that takes no more messages. */
final readonly class Full implements Rule
{
    public function about(): About
    {
        return new About(
            'mailboxes.full',
            Severity::Error,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Mailbox::class) as $mailbox) {
            if ($mailbox->full && $inspection->usesOf($mailbox) !== []) {
                yield Found::of(['mailbox' => $mailbox->name], $mailbox)->at('full');
            }
        }
    }
}
