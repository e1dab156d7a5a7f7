<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Calendar;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Change\Operation;

/** Hours that nothing goes by. */
final readonly class Unused implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.unused',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ([...$inspection->book->all(Schedule::class), ...$inspection->book->all(Calendar::class)] as $object) {
            if ($inspection->usesOf($object) === []) {
                yield Found::of(['object' => $object->name], $object)->at('name')
                    ->fixedBy(Fix::of('Take it out', Operation::delete($object)));
            }
        }
    }
}
