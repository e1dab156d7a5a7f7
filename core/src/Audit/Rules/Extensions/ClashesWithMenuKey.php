<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Extensions;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\ExtensionReach;
use Jaunty\Core\Book\Menu;

/** Extensions begin with a key of a menu in which they can be dialled. */
final readonly class ClashesWithMenuKey implements Rule
{
    public function about(): About
    {
        return new About(
            'extensions.clashes-with-menu-key',
            Severity::Note,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Menu::class) as $menu) {
            if ($menu->dialExtensions['scope'] === ExtensionReach::Off) {
                continue;
            }
            $first = array_count_values(array_map(
                static fn (BookObject $object): string => substr((string) $object->extension(), 0, 1),
                array_filter(
                    $inspection->book->objects(),
                    static fn (BookObject $object): bool => $object->extension() !== null,
                ),
            ));
            foreach (
                array_intersect(
                    array_map(strval(...), array_keys($menu->keys)),
                    array_map(strval(...), array_keys($first)),
                ) as $key
            ) {
                yield Found::of(
                    [
                        'menu' => $menu->name,
                        'first' => $first[$key],
                        'key' => $key,
                        'interdigit' => $menu->dialExtensions['interdigit'],
                    ],
                    $menu,
                )->at('keys', $key)->counting($first[$key]);
            }
        }
    }
}
