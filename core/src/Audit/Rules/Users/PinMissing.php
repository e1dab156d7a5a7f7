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
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Stage;

/** A mailbox of a customer in service without a PIN. */
final readonly class PinMissing implements Rule
{
    public function about(): About
    {
        return new About(
            'users.pin-missing',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        if ($inspection->book->tenant->state !== Stage::InService) {
            return;
        }
        $onSwitch = $inspection->surroundings->pinsOnSwitch ?? [];
        $open = array_values(array_filter(
            $inspection->book->all(Mailbox::class),
            static fn (Mailbox $mailbox): bool => $mailbox->enabled
                && $mailbox->pin === PinStrength::None
                && ! in_array((string) Reference::of($mailbox), $onSwitch, true),
        ));
        if (count($open) === 1) {
            yield Found::of(['first' => $open[0]->name], $open[0])->at('pin');
        } elseif ($open !== []) {
            yield Found::of(
                ['n' => count($open), 'open' => $inspection->names->several($open)],
                $inspection->book->tenant,
            )->saying('many')->at('name')->counting(count($open));
        }
    }
}
