<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Menus;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Menu;

/** A menu in which wrong keys lead nowhere. */
final readonly class InvalidNowhere implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.invalid-nowhere',
            Severity::Warning,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Menu::class) as $menu) {
            if ($menu->invalid === null && $menu->silence === null) {
                yield Found::of(
                    ['menu' => $menu->name, 'invalidAllowed' => $menu->invalidAllowed],
                    $menu,
                )->at('invalid');
            }
        }
    }
}
