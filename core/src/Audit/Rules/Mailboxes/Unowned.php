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
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Mailbox::class) as $mailbox) {
            if ($mailbox->owner === null && $inspection->usesOf($mailbox) === []) {
                yield Found::of(
                    ['mailbox' => $mailbox->name],
                    $mailbox,
                )->at('owner')->fixedBy(Fix::of('Take it away', Operation::delete($mailbox)));
            }
        }
    }
}
