<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Extensions;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;

/** Extensions of several lengths, of which the short ones begin longer ones. */
final readonly class MixedLengths implements Rule
{
    public function about(): About
    {
        return new About(
            'extensions.mixed-lengths',
            Severity::Warning,
            'A short extension is the beginning of a longer one.',
            'The switch waits after the short one, or connects before the longer one is dialled.',
            'Let all extensions be of one length.',
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $extensions = [];
        foreach ($inspection->book->objects() as $object) {
            if ($object->extension() !== null) {
                $extensions[$object->extension()] = $object;
            }
        }
        $longer = [];
        foreach (array_keys($extensions) as $long) {
            for ($digits = 1; $digits < strlen((string) $long); $digits++) {
                $short = substr((string) $long, 0, $digits);
                if (isset($extensions[$short])) {
                    $longer[$short] = min($longer[$short] ?? $long, $long);
                }
            }
        }
        foreach ($extensions as $short => $object) {
            $long = $longer[$short] ?? null;
            if ($long !== null) {
                yield Found::of(
                    "{$short} of {$inspection->names->of($object)} is the beginning of {$long}",
                    "Whoever dials {$long} of {$inspection->names->of($extensions[$long])} has "
                        . "dialled {$short} on the way.",
                    $object,
                    $extensions[$long],
                )->at('extension');
            }
        }
    }
}
