<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Outbound;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Stage;
use Jaunty\Core\Book\Trunk;

/** A customer in service whose calls hang on one carrier. */
final readonly class OneTrunkOnly implements Rule
{
    public function about(): About
    {
        return new About(
            'outbound.one-trunk-only',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $trunks = array_values(
            array_filter($inspection->book->all(Trunk::class), static fn (Trunk $trunk): bool => $trunk->enabled),
        );
        $numbers = array_filter(
            $inspection->book->all(Number::class),
            static fn (Number $number): bool => $number->carrierDiversion === null,
        );
        if (
            $inspection->book->tenant->state === Stage::InService
            && count($trunks) === 1
            && ($trunks[0]->carrier ?? '') !== ''
            && $numbers !== []
        ) {
            yield Found::of(
                ['trunk' => $trunks[0]->name, 'carrier' => (string) $trunks[0]->carrier],
                $trunks[0],
            )->at('carrier');
        }
    }
}
