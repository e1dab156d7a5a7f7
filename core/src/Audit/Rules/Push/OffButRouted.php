<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Push;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Destinations;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Mailbox;
use Jaunty\Core\Book\Reference;

/** Calls are led to what is switched off. */
final readonly class OffButRouted implements Rule
{
    public function about(): About
    {
        return new About(
            'push.off-but-routed',
            Severity::Error,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach (
            [
                ...$inspection->book->all(Group::class),
                ...$inspection->book->all(Attendant::class),
                ...$inspection->book->all(Mailbox::class),
            ] as $object
        ) {
            if ($object->enabled) {
                continue;
            }
            $users = array_values(array_filter($inspection->usesOf($object), static fn (array $use): bool => in_array(
                (string) Reference::of($object),
                Destinations::of($use[0]),
                true,
            )));
            if ($users !== []) {
                yield Found::of(
                    [
                        'object' => $inspection->names->said($object),
                        'users' => $inspection->names->several(array_column($users, 0)),
                        'n' => count($users),
                    ],
                    $object,
                    ...array_column($users, 0),
                )->at('enabled')
                    ->fixedBy(Fix::set('Switch it on', $object, 'enabled', true));
            }
        }
    }
}
