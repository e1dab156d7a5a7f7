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
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Menu::class) as $menu) {
            if ($menu->prompt === null) {
                yield Found::of(['menu' => $menu->name], $menu)->at(
                    'prompt',
                );
            }
        }
    }
}
