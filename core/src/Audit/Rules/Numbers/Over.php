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
use Jaunty\Core\Words\Day;

/** A number whose last day is past. */
final readonly class Over implements Rule
{
    public function about(): About
    {
        return new About(
            'numbers.over',
            Severity::Error,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Number::class) as $number) {
            $isServed = in_array(
                $number->status,
                [NumberStatus::Active, NumberStatus::Temporary, NumberStatus::PortingOut],
                true,
            );
            if ($number->until !== null && $number->until < $inspection->day->date() && $isServed && $number->enabled) {
                yield Found::of(
                    ['number' => $inspection->names->said($number), 'until' => new Day($number->until)],
                    $number,
                )->at('until')->shownBy(['to' => $number->key, 'at' => gmdate('Y-m-d\TH:i:s\Z', $inspection->now)]);
            }
        }
    }
}
