<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Numbers;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Words\Day;

/** A reservation or a loan of the carrier's ends before the book lets the number go. */
final readonly class EndsBefore implements Rule
{
    public function about(): About
    {
        return new About('numbers.ends-before', Severity::Warning);
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Number::class) as $number) {
            $stock = $inspection->surroundings?->stockOf($number);
            if (
                $stock === null
                || $stock->until === null
                || ! in_array($stock->state, ['reserved', 'lent'], true)
                || $number->until !== null && $number->until <= $stock->until
            ) {
                continue;
            }
            yield Found::of(
                [
                    'number' => $inspection->names->said($number),
                    'state' => $stock->state,
                    'until' => new Day($stock->until),
                    'last' => $number->until === null ? 'none' : new Day($number->until),
                ],
                $number,
            )->at('until');
        }
    }
}
