<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Numbers;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Number;

/** A caller name that the network cuts off. */
final readonly class CallerNameTooLong implements Rule
{
    private const MOST = 15;

    public function about(): About
    {
        return new About(
            'numbers.caller-name-too-long',
            Severity::Warning,
            'common practice in North America: caller name databases hold 15 characters',
            countries: ['US', 'CA'],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Number::class) as $number) {
            if (mb_strlen((string) $number->callerName) > self::MOST) {
                yield Found::of(
                    [
                        'number' => $inspection->names->said($number),
                        'length' => mb_strlen((string) $number->callerName),
                        'seen' => mb_substr((string) $number->callerName, 0, self::MOST),
                    ],
                    $number,
                )->at('callerName');
            }
        }
    }
}
