<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Menus;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Book\Menu;

/** Menus behind menus behind menus. */
final readonly class TooDeep implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.too-deep',
            Severity::Warning,
            thresholds: [Threshold::MostMenusDeep],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $most = $inspection->threshold(Threshold::MostMenusDeep);
        $menus = $inspection->book->all(Menu::class);
        $depth = [];
        foreach ($menus as $menu) {
            $above = array_filter(
                $inspection->usesOf($menu),
                static fn (array $use): bool => $use[0] instanceof Menu && $use[0]->key !== $menu->key,
            );
            $depth[$menu->key] = $above === [] ? 1 : 0;
        }
        // A menu counts from the shortest way to it; ways back to where callers came from do not make it deeper.
        for ($level = 1; $level <= count($menus); $level++) {
            foreach ($menus as $menu) {
                foreach ($depth[$menu->key] === $level ? $menu->keys : [] as $key) {
                    $next = $inspection->find($key->to, Menu::class);
                    if ($next !== null && $depth[$next->key] === 0) {
                        $depth[$next->key] = $level + 1;
                    }
                }
            }
        }
        foreach ($menus as $menu) {
            if ($depth[$menu->key] > $most) {
                yield Found::of(
                    ['menu' => $menu->name, 'depth' => $depth[$menu->key] - 1, 'most' => $most],
                    $menu,
                )->at('keys');
            }
        }
    }
}
