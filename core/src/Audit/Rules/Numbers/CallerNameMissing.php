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

/** Some numbers of the customer show a name, and this one does not. */
final readonly class CallerNameMissing implements Rule
{
    public function about(): About
    {
        return new About(
            'numbers.caller-name-missing',
            Severity::Note,
            countries: ['US', 'CA'],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $numbers = array_filter(
            $inspection->book->all(Number::class),
            static fn (Number $number): bool => $number->status === NumberStatus::Active,
        );
        $named = array_values(array_filter($numbers, static fn (Number $number): bool => $number->callerName !== null));
        foreach ($named === [] ? [] : $numbers as $number) {
            $shownBy = array_values(
                array_filter($inspection->usesOf($number), static fn (array $use): bool => $use[1] === 'callerId'),
            );
            if ($number->callerName === null && $shownBy !== []) {
                yield Found::of(
                    [
                        'number' => $inspection->names->said($number),
                        'shownBy' => $inspection->names->several(array_column($shownBy, 0)),
                        'n' => count($shownBy),
                        'other' => $inspection->names->said($named[0]),
                        'callerName' => (string) $named[0]->callerName,
                    ],
                    $number,
                )->at('callerName')
                    ->fixedBy(Fix::set("Show {$named[0]->callerName}", $number, 'callerName', $named[0]->callerName));
            }
        }
    }
}
