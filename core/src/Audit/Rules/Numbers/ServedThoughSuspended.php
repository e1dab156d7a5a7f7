<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Numbers;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\NumberStatus;
use Jaunty\Core\Book\Stage;
use Jaunty\Core\Words\Message;

/** A customer who is not served, and whose calls go through. */
final readonly class ServedThoughSuspended implements Rule
{
    public function about(): About
    {
        return new About(
            'numbers.served-though-suspended',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $stage = $inspection->book->tenant->state;
        if (! in_array($stage, [Stage::Suspended, Stage::Archived], true)) {
            return;
        }
        $served = array_values(array_filter(
            $inspection->book->all(Number::class),
            static fn (Number $number): bool => $number->enabled
                && $number->status === NumberStatus::Active
                && $number->destination !== null,
        ));
        if ($served !== []) {
            yield Found::of(
                ['stage' => new Message("stage/{$stage->value}"), 'served' => $inspection->names->several($served)],
                $inspection->book->tenant,
            )->at('state')->counting(count($served));
        }
    }
}
