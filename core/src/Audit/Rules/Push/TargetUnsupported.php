<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Push;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Reference;

/** Calls are led to what the switch has no place for. */
final readonly class TargetUnsupported implements Rule
{
    public function about(): About
    {
        return new About(
            'push.target-unsupported',
            Severity::Error,
            'Calls are led to an object that the switch has no place for.',
            'It stands in the book only; on the switch they are led nowhere.',
            'Lead them to what the switch can hold.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->surroundings->notCarried ?? [] as $reference) {
            $object = $inspection->book->find(Reference::parse($reference));
            $users = $object === null ? [] : $inspection->usesOf($object);
            if ($object !== null && $users !== []) {
                yield Found::of(
                    "{$inspection->name($object)} cannot be put on the switch",
                    "{$inspection->names(array_column($users, 0))} "
                        . (count($users) === 1 ? 'leads' : 'lead')
                        . ' there.',
                    $object,
                    ...array_column($users, 0),
                );
            }
        }
    }
}
