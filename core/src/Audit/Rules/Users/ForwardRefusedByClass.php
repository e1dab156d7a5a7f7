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
use Jaunty\Core\Book\CallingClass;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\User;
use Jaunty\Core\Calls\Law\WayOut;
use Jaunty\Core\Words\Message;

/** Calls are led to an outside number that the class of whoever sends them bars. */
final readonly class ForwardRefusedByClass implements Rule
{
    public function about(): About
    {
        return new About(
            'users.forward-refused-by-class',
            Severity::Error,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $wayOut = new WayOut($inspection->callBook());
        foreach (
            [
                ...$inspection->book->all(User::class), ...$inspection->book->all(Group::class),
                ...$inspection->book->all(Chain::class), ...$inspection->book->all(Menu::class),
                ...$inspection->book->all(Attendant::class),
            ] as $object
        ) {
            foreach (array_unique(Destinations::outsideOf($object)) as $path => $number) {
                $needed = $wayOut->barredByClass($number, (string) Reference::of($object));
                if ($needed !== null) {
                    $field = $object instanceof User ? 'callingClass' : 'onwardClass';
                    $there = $inspection->names->of("outside:{$number}");
                    yield Found::of(
                        [
                            'object' => $object->label(),
                            'there' => $there,
                            'needed' => new Message("class/{$needed->value}"),
                        ],
                        $object,
                    )->at($path, $path)
                        ->fixedBy(
                            $object instanceof User || $needed === CallingClass::International
                            ? null
                            : Fix::set("Let calls go on to {$needed->value} numbers", $object, $field, $needed->value),
                        );
                }
            }
        }
    }
}
