<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Menus;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Book\Menu;

/** A menu that does not wait for callers to find the key. */
final readonly class WaitTooShort implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.wait-too-short',
            Severity::Warning,
            thresholds: [Threshold::ShortestKeyWait],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Menu::class) as $menu) {
            if ($menu->wait < $inspection->threshold(Threshold::ShortestKeyWait) && $menu->keys !== []) {
                yield Found::of(
                    ['menu' => $menu->name, 'wait' => $menu->wait],
                    $menu,
                )->at('wait')->fixedBy(Fix::set('Wait for 5 s', $menu, 'wait', 5));
            }
        }
    }
}
