<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Users;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Mailbox;
use Jaunty\Core\Book\PinStrength;
use Jaunty\Core\Book\Stage;

/** A mailbox of a customer in service without a PIN. */
final readonly class PinMissing implements Rule
{
    public function about(): About
    {
        return new About(
            'users.pin-missing',
            Severity::Warning,
            'A mailbox has no PIN.',
            'Whoever reaches it from outside hears its messages.',
            'Have a PIN made for it.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        if ($inspection->book->tenant->state !== Stage::InService) {
            return;
        }
        foreach ($inspection->book->all(Mailbox::class) as $mailbox) {
            if ($mailbox->enabled && $mailbox->pin === PinStrength::None) {
                yield Finding::of($this->about(), "{$mailbox->name} has no PIN", 'The customer is in service.', $mailbox)->at('pin');
            }
        }
    }

    public function samples(): Samples
    {
        $mailbox = static fn (string $pin): array => ['key' => 'desk', 'name' => 'Desk', 'pin' => $pin, 'notify' => ['desk@inlet.example']];

        return Samples::of(['tenant' => ['state' => 'in-service'], 'numbers' => [['key' => Samples::NUMBER, 'destination' => 'mailbox:desk']], 'mailboxes' => [$mailbox('set')]], ['mailboxes' => [$mailbox('none')]]);
    }
}
