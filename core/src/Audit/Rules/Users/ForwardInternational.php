<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Users;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Destinations;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\User;
use Jaunty\Core\Numbering\E164;

/** Calls sent on to a number in another country. */
final readonly class ForwardInternational implements Rule
{
    public function about(): About
    {
        return new About(
            'users.forward-international',
            Severity::Warning,
            'Calls of a user or group are sent on to a number in another country.',
            'Each of them is charged as a call abroad, and this is how stolen passwords are turned into money.',
            'Ask who wants it; if nobody does, take it away and look at who changed it.',
            'common practice against toll fraud',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $home = $inspection->book->tenant->region;
        foreach (
            [...$inspection->book->all(User::class), ...$inspection->book->all(Group::class), ...$inspection->book->all(
                Chain::class,
            )] as $object
        ) {
            foreach (Destinations::outsideOf($object) as $path => $number) {
                if ($home !== null && E164::parse($number)->isAbroadFrom($home)) {
                    yield Found::of(
                        "{$inspection->names->of($object)} sends calls abroad",
                        "{$inspection->names->of("outside:{$number}")} is a number of another country.",
                        $object,
                    )->at($path, $path);
                }
            }
        }
    }
}
