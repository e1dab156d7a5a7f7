<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Menus;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Menu;

/** Wrong keys that nobody tells callers of. */
final readonly class NoWrongKeyPrompt implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.no-wrong-key-prompt',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Menu::class) as $menu) {
            if ($menu->invalidPrompt === null && $menu->invalidAllowed > 1 && $menu->keys !== []) {
                yield Found::of(
                    ['menu' => $menu->name],
                    $menu,
                )->at('invalidPrompt');
            }
        }
    }
}
