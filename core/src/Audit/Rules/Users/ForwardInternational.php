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
                        [
                            'object' => $inspection->names->said($object),
                            'number' => $inspection->names->said("outside:{$number}"),
                        ],
                        $object,
                    )->at($path, $path);
                }
            }
        }
    }
}
