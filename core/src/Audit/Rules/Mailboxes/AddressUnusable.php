<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Mailboxes;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Contact;
use Jaunty\Core\Book\Evidence;
use Jaunty\Core\Book\Mailbox;
use Jaunty\Core\Book\User;

/** Mail is to be sent where there is nobody. */
final readonly class AddressUnusable implements Rule
{
    public function about(): About
    {
        return new About(
            'mailboxes.address-unusable',
            Severity::Error,
            'RFC 5321 section 4.1.2',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $book = $inspection->book;
        foreach (
            [...$book->all(Mailbox::class), ...$book->all(User::class), ...$book->all(Contact::class)] as $object
        ) {
            foreach (Evidence::doubts($object) as $path => $why) {
                yield Found::of(['object' => $object->label(), 'why' => $why], $object)->at($path);
            }
        }
    }
}
