<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Numbers;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Number;

/** A number that answers some callers and leaves the others with nothing. */
final readonly class CallerFilterOnPublic implements Rule
{
    public function about(): About
    {
        return new About(
            'numbers.caller-filter-on-public',
            Severity::Error,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Number::class) as $number) {
            if ($number->callerRules !== [] && $number->destination === null && ! in_array(
                'anyone',
                array_column($number->callerRules, 'callers'),
                true,
            )) {
                yield Found::of(
                    ['number' => $inspection->names->said($number)],
                    $number,
                )->at('destination');
            }
        }
    }
}
