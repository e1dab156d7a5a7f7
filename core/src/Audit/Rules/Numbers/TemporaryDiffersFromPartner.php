<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Numbers;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\NumberStatus;

/** A lent number that leads elsewhere than the one it stands in for. */
final readonly class TemporaryDiffersFromPartner implements Rule
{
    public function about(): About
    {
        return new About(
            'numbers.temporary-differs-from-partner',
            Severity::Error,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Number::class) as $number) {
            $other = $inspection->find($number->replaces, Number::class);
            if (
                $number->status === NumberStatus::Temporary
                && $other !== null
                && (string) $number->destination !== (string) $other->destination
            ) {
                yield Found::of(
                    [
                        'number' => $inspection->names->said($number),
                        'other' => $inspection->names->said($other),
                        'to' => $inspection->names->said($number->destination),
                        'elsewhere' => $inspection->names->said($other->destination),
                    ],
                    $number,
                    $other,
                )->at('destination')
                    ->fixedBy($other->destination === null ? null : Fix::set(
                        'Let both lead to the same place',
                        $number,
                        'destination',
                        (string) $other->destination,
                    ));
            }
        }
    }
}
