<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Menus;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Menu;

/** Silence that ends the call. */
final readonly class SilenceHangsUp implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.silence-hangs-up',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Menu::class) as $menu) {
            if (in_array($menu->silence?->word, ['release', 'busy'], true)) {
                yield Found::of(
                    ['menu' => $menu->name],
                    $menu,
                )->at('silence');
            }
        }
    }
}
