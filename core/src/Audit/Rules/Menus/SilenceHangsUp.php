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
            'A menu lets callers go who press nothing.',
            'Whoever cannot press keys, or does not understand, is cut off, and was a customer.',
            'Lead silence to a person, or to a mailbox.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Menu::class) as $menu) {
            if (in_array($menu->silence?->word, ['release', 'busy'], true)) {
                yield Found::of(
                    "{$menu->name}: whoever presses nothing is cut off",
                    'Nobody is rung, and no message is taken.',
                    $menu,
                )->at('silence');
            }
        }
    }
}
