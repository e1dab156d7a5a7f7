<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Names;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Promise;

/** Something made for a test and left behind. */
final readonly class TestLeft implements Rule
{
    public function about(): About
    {
        return new About(
            'names.test-left',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->objects() as $object) {
            if (
                preg_match('/\b(?:test|temp|tmp|dummy|asdf|xxx+)\b/i', $object->label()) === 1
                && ! $object instanceof Promise
            ) {
                yield Found::of(
                    [
                        'object' => $object->label(),
                        'used' => $inspection->usesOf($object) === [] ? 'no' : 'yes',
                        'uses' => $inspection->names->several(array_column($inspection->usesOf($object), 0)),
                    ],
                    $object,
                )->at('name');
            }
        }
    }
}
