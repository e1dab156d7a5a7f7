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

/** A number is in service by the book, and went back to the carrier or to another one. */
final readonly class OursNoLonger implements Rule
{
    public function about(): About
    {
        return new About('numbers.ours-no-longer', Severity::Error);
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Number::class) as $number) {
            if ($number->status->serves() && $inspection->surroundings?->stockOf($number)?->state === 'cancelled') {
                yield Found::of(['number' => $inspection->names->said($number)], $number)->at('status')
                    ->fixedBy(Fix::set('Say so in the book', $number, 'status', NumberStatus::Cancelled->value));
            }
        }
    }
}
