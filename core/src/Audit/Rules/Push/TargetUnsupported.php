<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Push;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Fields\Fields;
use Jaunty\Core\Book\Reference;

/** Calls are led to, or hang on, what the switch has no place for. */
final readonly class TargetUnsupported implements Rule
{
    public function about(): About
    {
        return new About(
            'push.target-unsupported',
            Severity::Error,
            'Calls are led to, or hang on, what the switch has no place for.',
            'It stands in the book only; on the switch calls do not go as the book says.',
            'Lead calls to what the switch can hold, do without it, or put the customer on another switch.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->surroundings->notCarried ?? [] as $reference) {
            $object = $inspection->book->find(Reference::parse($reference));
            $users = $object === null ? [] : $inspection->usesOf($object);
            if ($object !== null && $users !== []) {
                yield Found::of(
                    "{$inspection->names->of($object)} cannot be put on the switch",
                    "{$inspection->names->listed(array_column($users, 0))} "
                        . (count($users) === 1 ? 'leads' : 'lead')
                        . ' there.',
                    $object,
                    ...array_column($users, 0),
                );
            }
        }
        foreach ($inspection->surroundings->unsupported ?? [] as $unsupported) {
            $object = $inspection->book->find(Reference::parse($unsupported->object));
            $field = $object === null ? null : Fields::of($object::class)->at((string) $unsupported->path);
            if ($object !== null && $field !== null) {
                $title = lcfirst($field->said->title ?? (string) $unsupported->path);
                yield Found::of(
                    "{$inspection->names->of($object)}: {$title} cannot be put on the switch",
                    "What the book says of it does not hold there: {$unsupported->why}.",
                    $object,
                )->at((string) $unsupported->path);
            }
        }
    }
}
