<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Numbers;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Number;

/** The book gives a number a name, and the network shows another or none. */
final readonly class CallerNameUnfiled implements Rule
{
    public function about(): About
    {
        return new About(
            'numbers.caller-name-unfiled',
            Severity::Note,
            'common practice in North America: the carrier of whoever is called looks the name up in a database',
            countries: ['US', 'CA'],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $around = $inspection->surroundings;
        if ($around === null) {
            return;
        }
        foreach ($inspection->book->all(Number::class) as $number) {
            if ($number->callerName === null || ! $number->status->serves()) {
                continue;
            }
            $filed = $around->registrationOf($number, 'name');
            $isSo = $filed !== null && $filed->name === trim($number->callerName) && $filed->state !== 'refused';
            if (! $isSo) {
                yield Found::of(
                    [
                        'number' => $inspection->names->said($number),
                        'name' => $number->callerName,
                        'state' => match (true) {
                            $filed === null => 'none',
                            $filed->state === 'refused' => 'refused',
                            default => 'other',
                        },
                        'filed' => $filed->name ?? '',
                        'remark' => $filed->remark ?? '',
                    ],
                    $number,
                )->at('callerName');
            }
        }
    }
}
