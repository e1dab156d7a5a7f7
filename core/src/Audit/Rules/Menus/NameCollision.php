<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Menus;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\NameScope;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\User;
use Jaunty\Core\Calls\Law\NameDirectory;

/** Names that are one on the keypad. */
final readonly class NameCollision implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.name-collision',
            Severity::Note,
            'ITU-T E.161, letters on keys',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Menu::class) as $menu) {
            if ($menu->dialByName['scope'] === NameScope::Off) {
                continue;
            }
            foreach (NameDirectory::of($inspection->callBook(), $menu)->alike() as $users) {
                $people = array_values(array_filter(
                    array_map(
                        static fn (string $user): ?User => $inspection->find(Reference::parse($user), User::class),
                        $users,
                    ),
                    static fn (?User $user): bool => $user !== null,
                ));
                if ($people !== []) {
                    yield Found::of(
                        ['menu' => $menu->name, 'people' => $inspection->names->several($people)],
                        $menu,
                        ...$people,
                    )->at('dialByName');
                }
            }
        }
    }
}
