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
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->surroundings->notCarried ?? [] as $reference) {
            $object = $inspection->book->find(Reference::parse($reference));
            $users = $object === null ? [] : $inspection->usesOf($object);
            if ($object !== null && $users !== []) {
                yield Found::of(
                    [
                        'object' => $inspection->names->said($object),
                        'users' => $inspection->names->several(array_column($users, 0)),
                        'n' => count($users),
                    ],
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
                    [
                        'object' => $inspection->names->said($object),
                        'title' => $title,
                        'why' => $unsupported->why,
                    ],
                    $object,
                )->saying('field')->at((string) $unsupported->path);
            }
        }
    }
}
