<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Users;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Mailbox;
use Jaunty\Core\Book\PinStrength;

/** A mailbox with a PIN that is guessed in a minute. */
final readonly class PinWeak implements Rule
{
    public function about(): About
    {
        return new About(
            'users.pin-weak',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $weak = array_values(array_filter(
            $inspection->book->all(Mailbox::class),
            static fn (Mailbox $mailbox): bool => $mailbox->pin === PinStrength::Weak,
        ));
        if ($weak !== []) {
            yield Found::of(
                ['n' => count($weak), 'first' => $weak[0]->name, 'weak' => $inspection->names->several($weak)],
                count($weak) === 1 ? $weak[0] : $inspection->book->tenant,
            )->at(count($weak) === 1 ? 'pin' : 'name')->counting(count($weak));
        }
    }
}
