<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Extensions;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\BookObject;

/** Extensions that begin with the digit for an outside line. */
final readonly class ClashesWithOutsidePrefix implements Rule
{
    public function about(): About
    {
        return new About(
            'extensions.clashes-with-outside-prefix',
            Severity::Error,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $prefix = $inspection->book->tenant->outsidePrefix;
        $clashing = array_values(array_filter(
            $prefix === null || $prefix === '' ? [] : $inspection->book->objects(),
            static fn (BookObject $object): bool => $object->extension() !== null
                && str_starts_with($object->extension(), (string) $prefix),
        ));
        if ($clashing !== []) {
            yield Found::of(
                [
                    'n' => count($clashing),
                    'first' => $inspection->names->said($clashing[0]),
                    'prefix' => (string) $prefix,
                    'clashing' => $inspection->names->several($clashing),
                ],
                ...$clashing,
            )->at('extension')->counting(count($clashing));
        }
    }
}
