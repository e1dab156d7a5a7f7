<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Menus;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Destinations;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\BookObject;

/** A way to the operator, with no operator. */
final readonly class OperatorUnset implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.operator-unset',
            Severity::Error,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        if ($inspection->book->tenant->operator === null) {
            $askers = array_values(array_filter(
                $inspection->book->objects(),
                static fn (BookObject $object): bool => in_array('operator', Destinations::of($object), true),
            ));
            if ($askers !== []) {
                yield Found::of(
                    ['askers' => $inspection->names->several($askers)],
                    $inspection->book->tenant,
                    ...$askers,
                )->at('operator')->counting(count($askers));
            }
        }
    }
}
