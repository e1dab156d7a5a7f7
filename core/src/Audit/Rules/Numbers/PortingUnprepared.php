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

/** A number to be ported that nothing is prepared for. */
final readonly class PortingUnprepared implements Rule
{
    public function about(): About
    {
        return new About(
            'numbers.porting-unprepared',
            Severity::Warning,
            'A number is being ported, and its day or its destination is not known.',
            'On the day of the port callers get nothing, or nobody knows which day it is.',
            'Enter the day the losing carrier confirmed, and where calls go.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Number::class) as $number) {
            $missing = array_keys(
                array_filter(['the day' => $number->from === null, 'where calls go' => $number->destination === null]),
            );
            if ($number->status === NumberStatus::PortingIn && $missing !== []) {
                yield Found::of(
                    "{$inspection->names->of($number)} is to be ported, and "
                        . implode(' and ', $missing)
                        . ' is not entered',
                    'Calls to it go to the old carrier until then.',
                    $number,
                )->at($number->from === null ? 'from' : 'destination');
            }
        }
    }
}
