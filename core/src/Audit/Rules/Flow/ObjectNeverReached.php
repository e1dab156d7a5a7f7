<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Flow;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Announcement;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;

/** Something for calls that no call comes to. */
final readonly class ObjectNeverReached implements Rule
{
    public function about(): About
    {
        return new About(
            'flow.object-never-reached',
            Severity::Note,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $reached = [];
        $open = array_values(array_filter(
            $inspection->book->objects(),
            static fn (BookObject $object): bool => $object->extension() !== null
                || $object instanceof Number
                || $object instanceof User
                || $object instanceof Site,
        ));
        foreach ([$inspection->book->tenant, ...$open] as $object) {
            $reached[(string) Reference::of($object)] = $object;
        }
        $next = array_values($reached);
        while ($next !== []) {
            foreach (array_pop($next)->links() as $link) {
                $object = $inspection->book->find($link->to);
                if ($object !== null && ! isset($reached[(string) $link->to])) {
                    $reached[(string) $link->to] = $object;
                    $next[] = $object;
                }
            }
        }
        foreach ($inspection->book->objects() as $object) {
            $takesCalls = $object instanceof Group
                || $object instanceof Menu
                || $object instanceof Attendant
                || $object instanceof Chain
                || $object instanceof Announcement;
            if ($takesCalls && ! isset($reached[(string) Reference::of($object)])) {
                yield Found::of(
                    ['object' => $inspection->names->said($object)],
                    $object,
                );
            }
        }
    }
}
