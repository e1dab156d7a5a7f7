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
            'Extensions begin with the digits dialled for an outside line.',
            'The switch cannot tell the one from the other: outside calls ring a colleague, or the '
                . 'extension cannot be dialled.',
            'Give other extensions, or do without the prefix.',
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
                count($clashing) === 1
                    ? "{$inspection->names->of($clashing[0])}: the extension begins with {$prefix}, for an outside line"
                    : count($clashing) . " extensions begin with {$prefix}, for an outside line",
                ucfirst($inspection->names->listed($clashing)) . ' cannot be told from calls that go out.',
                ...$clashing,
            )->at('extension')->counting(count($clashing));
        }
    }
}
