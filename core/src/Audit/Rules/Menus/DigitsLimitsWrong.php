<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Menus;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\ExtensionReach;
use Jaunty\Core\Book\Menu;

/** A menu in which extensions cannot be dialled to their end. */
final readonly class DigitsLimitsWrong implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.digits-limits-wrong',
            Severity::Error,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $longest = max([0, ...array_map(
            static fn (BookObject $object): int => strlen((string) $object->extension()),
            $inspection->book->objects(),
        )]);
        foreach ($inspection->book->all(Menu::class) as $menu) {
            $most = $menu->dialExtensions['most'] ?? $inspection->book->tenant->extensionLength;
            if ($menu->dialExtensions['scope'] !== ExtensionReach::Off && $most < $longest) {
                yield Found::of(
                    ['menu' => $menu->name, 'most' => $most, 'longest' => $longest],
                    $menu,
                )->at('dialExtensions/most')
                    ->fixedBy(Fix::set("Take {$longest} digits", $menu, 'dialExtensions/most', $longest));
            }
        }
    }
}
