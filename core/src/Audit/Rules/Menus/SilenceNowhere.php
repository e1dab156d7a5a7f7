<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Menus;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Menu;

/** A menu that cuts off callers who press nothing. */
final readonly class SilenceNowhere implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.silence-nowhere',
            Severity::Blocker,
            About::MODEL,
            explains: ['flow.dead-end', 'menus.invalid-nowhere'],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Menu::class) as $menu) {
            if ($menu->silence === null && $inspection->usesOf($menu) !== []) {
                $zero = $menu->keys['0']->to ?? null;
                yield Found::of(
                    ['menu' => $menu->name],
                    $menu,
                )->at('silence')
                    ->fixedBy(
                        $zero === null
                        ? null
                        : Fix::set(
                            "Lead it to {$inspection->names->of($zero)}, as key 0",
                            $menu,
                            'silence',
                            (string) $zero,
                        ),
                    );
            }
        }
    }
}
