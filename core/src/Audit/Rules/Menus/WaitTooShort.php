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
            'A menu waits for less than three seconds for a key.',
            'Callers who look for the keypad are treated as silent.',
            'Wait for five seconds.',
            thresholds: [Threshold::ShortestKeyWait],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Menu::class) as $menu) {
            if ($menu->wait < $inspection->threshold(Threshold::ShortestKeyWait) && $menu->keys !== []) {
                yield Found::of(
                    "{$menu->name} waits {$menu->wait} s for a key",
                    'The call moves on while callers still look for it.',
                    $menu,
                )->at('wait')->fixedBy(Fix::set('Wait for 5 s', $menu, 'wait', 5));
            }
        }
    }
}
