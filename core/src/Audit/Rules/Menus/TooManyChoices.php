<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Menus;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\MenuKey;

/** A menu with more choices than callers keep in mind. */
final readonly class TooManyChoices implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.too-many-choices',
            Severity::Warning,
            thresholds: [Threshold::MostChoices],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $most = $inspection->threshold(Threshold::MostChoices);
        foreach ($inspection->book->all(Menu::class) as $menu) {
            $choices = array_filter(
                $menu->keys,
                static fn (MenuKey $key): bool => ! in_array($key->to?->word, ['again', 'back', 'operator'], true),
            );
            if (count($choices) > $most) {
                yield Found::of(
                    ['menu' => $menu->name, 'n' => count($choices), 'most' => $most],
                    $menu,
                )->at('keys')->counting(count($choices));
            }
        }
    }
}
