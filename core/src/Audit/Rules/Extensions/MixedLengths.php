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
                    [
                        'short' => $short,
                        'object' => $inspection->names->said($object),
                        'long' => $long,
                        'extensions' => $inspection->names->said($extensions[$long]),
                    ],
                    $object,
                    $extensions[$long],
                )->at('extension');
            }
        }
    }
}
