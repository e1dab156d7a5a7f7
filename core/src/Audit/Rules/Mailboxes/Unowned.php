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
use Jaunty\Core\Change\Operation;

/** A mailbox nothing leads to and nobody owns. */
final readonly class Unowned implements Rule
{
    public function about(): About
    {
        return new About(
            'mailboxes.unowned',
            Severity::Note,
            'A mailbox belongs to nobody and nothing leads to it.',
            'It is paid for, and messages left there by extension are heard by nobody.',
            'Take it away, or say whose it is.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Mailbox::class) as $mailbox) {
            if ($mailbox->owner === null && $inspection->usesOf($mailbox) === []) {
                yield Found::of(
                    "{$mailbox->name} belongs to nobody, and nothing leads to it",
                    'No number, group, menu or user refers to it.',
                    $mailbox,
                )->at('owner')->fixedBy(Fix::of('Take it away', Operation::delete($mailbox)));
            }
        }
    }
}
