<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Menus;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\MenuKey;

/** A menu behind another, without a way back. */
final readonly class NoWayBack implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.no-way-back',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Menu::class) as $menu) {
            $from = array_values(array_filter(
                $inspection->usesOf($menu),
                static fn (array $use): bool => $use[0] instanceof Menu && $use[0]->key !== $menu->key,
            ));
            $back = array_filter(
                $menu->keys,
                static fn (MenuKey $key): bool => in_array($key->to?->word, ['back', 'operator'], true)
                    || in_array($inspection->find($key->to, Menu::class), array_column($from, 0), true),
            );
            if ($from !== [] && $menu->keys !== [] && $back === []) {
                yield Found::of(
                    ['menu' => $menu->name, 'first' => $inspection->names->said($from[0][0])],
                    $menu,
                )->at('keys');
            }
        }
    }
}
