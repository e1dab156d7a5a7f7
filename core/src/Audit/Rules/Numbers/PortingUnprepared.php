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
use Jaunty\Core\Words\Listing;

/** A number to be ported that nothing is prepared for. */
final readonly class PortingUnprepared implements Rule
{
    public function about(): About
    {
        return new About(
            'numbers.porting-unprepared',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Number::class) as $number) {
            $missing = array_keys(
                array_filter(['day' => $number->from === null, 'destination' => $number->destination === null]),
            );
            if ($number->status === NumberStatus::PortingIn && $missing !== []) {
                yield Found::of(
                    ['number' => $inspection->names->said($number), 'missing' => Listing::ofMessages('port', $missing)],
                    $number,
                )->at($number->from === null ? 'from' : 'destination');
            }
        }
    }
}
