<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Template;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Change\FieldPath;
use Jaunty\Core\Change\Value;

/** Fields were changed from what the template made, and nobody said why. */
final readonly class OverrideUnexplained implements Rule
{
    public function about(): About
    {
        return new About(
            'template.override-unexplained',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $around = $inspection->surroundings;
        $objects = [];
        $fields = 0;
        foreach ($around->unexplained ?? [] as $unexplained) {
            [$reference, $path] = explode(' ', $unexplained, 2) + [1 => ''];
            $object = $inspection->book->find(Reference::parse($reference));
            $made = $around?->made?->find(Reference::parse($reference));
            // What the template left as it is delivered was never its business.
            $was = $made === null ? null : FieldPath::get(BookFormat::compact($made), $path);
            $isOverridden = $object !== null
                && $was !== null
                && ! Value::same($was, FieldPath::get($object->toArray(), $path));
            if ($object !== null && $isOverridden) {
                $objects[$reference] = $object;
                $fields++;
            }
        }
        if ($fields > 0) {
            yield Found::of(
                ['fields' => $fields, 'objects' => $inspection->names->several(array_values($objects))],
                $inspection->book->tenant,
            )->counting($fields);
        }
    }
}
