<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Menus;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Menu;

/** A menu that tells callers nothing. */
final readonly class NoPrompt implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.no-prompt',
            Severity::Warning,
            'A menu has no prompt.',
            'Callers hear silence and do not know that they may choose.',
            'Write a script, or choose a recording.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Menu::class) as $menu) {
            if ($menu->prompt === null) {
                yield Found::of("{$menu->name} says nothing", 'Callers do not know that they may choose.', $menu)->at(
                    'prompt',
                );
            }
        }
    }
}
