<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Users;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Destinations;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Trunk;
use Jaunty\Core\Book\User;
use Jaunty\Core\Calls\Law\WayOut;

/** A forward to a mobile that callers from outside can never take, as no trunk lets their calls out again. */
final readonly class ForwardRefusedByTrunk implements Rule
{
    public function about(): About
    {
        return new About(
            'users.forward-refused-by-trunk',
            Severity::Error,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $trunks = $inspection->book->all(Trunk::class);
        if ($trunks === []) {
            return;
        }
        $wayOut = new WayOut($inspection->callBook());
        foreach (
            [
                ...$inspection->book->all(User::class), ...$inspection->book->all(Group::class),
                ...$inspection->book->all(Chain::class), ...$inspection->book->all(Menu::class),
                ...$inspection->book->all(Attendant::class),
            ] as $object
        ) {
            foreach (array_unique(Destinations::outsideOf($object)) as $path => $number) {
                $sender = (string) Reference::of($object);
                // A call that cannot leave at all is no matter of who calls.
                if ($wayOut->exists($number, $sender, true, []) && ! $wayOut->exists($number, $sender, false, [])) {
                    $barring = array_values(array_filter(
                        $trunks,
                        static fn (Trunk $trunk): bool => $trunk->enabled && ! $trunk->outsideCallersOut,
                    ));
                    $there = $inspection->names->of("outside:{$number}");
                    yield Found::of(
                        [
                            'object' => $object->label(),
                            'there' => $there,
                            'barring' => $inspection->names->several($barring),
                        ],
                        $object,
                        ...$barring,
                    )->at($path)->fixedBy(
                        count($barring) === 1
                        ? Fix::set(
                            "Let {$barring[0]->name} carry outside callers on",
                            $barring[0],
                            'outsideCallersOut',
                            true,
                        )
                        : null,
                    );
                }
            }
        }
    }
}
