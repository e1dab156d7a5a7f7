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

/** Callers from outside can look everybody up. */
final readonly class DirectoryExposesEverybody implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.directory-exposes-everybody',
            Severity::Note,
            'common practice against fraud',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $reached = [];
        foreach ($inspection->survey()->runs as $run) {
            foreach ($run->explored->states as $state) {
                $reached[$state->object] = true;
            }
        }
        foreach ($inspection->book->all(Menu::class) as $menu) {
            if ($menu->dialByName['scope'] === NameScope::All && isset($reached[(string) Reference::of($menu)])) {
                yield Found::of(
                    ['menu' => $menu->name],
                    $menu,
                )->at('dialByName/scope');
            }
        }
    }
}
