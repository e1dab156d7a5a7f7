<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Numbers;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Numbering\E164;

/** A number that no network has. */
final readonly class InvalidNumber implements Rule
{
    public function about(): About
    {
        return new About(
            'numbers.invalid',
            Severity::Error,
            'the numbering plans as libphonenumber knows them',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Number::class) as $number) {
            $read = E164::parse($number->key);
            if (! $read->isValid() && ! $read->isFictional()) {
                yield Found::of(
                    ['number' => $number->key],
                    $number,
                );
            }
        }
    }
}
