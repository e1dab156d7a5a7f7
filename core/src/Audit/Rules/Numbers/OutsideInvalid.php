<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Numbers;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Destinations;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\User;
use Jaunty\Core\Numbering\E164;

/** Calls that are led to a number nobody has. */
final readonly class OutsideInvalid implements Rule
{
    public function about(): About
    {
        return new About(
            'numbers.outside-invalid',
            Severity::Error,
            'the numbering plans as libphonenumber knows them',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ([$inspection->book->tenant, ...$inspection->book->objects()] as $object) {
            $numbers = Destinations::outsideOf($object);
            foreach ($object instanceof User ? $object->legs : [] as $leg) {
                $numbers += $leg->number === null ? [] : ["legs/{$leg->item}/number" => $leg->number];
            }
            foreach ($numbers as $path => $number) {
                $read = E164::parse($number);
                if (! $read->isValid() && ! $read->isFictional()) {
                    yield Found::of(
                        ['object' => $inspection->names->said($object), 'read' => $read->display()],
                        $object,
                    )->at($path, $path);
                }
            }
        }
    }
}
