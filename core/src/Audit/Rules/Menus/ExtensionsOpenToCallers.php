<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Menus;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\ExtensionReach;
use Jaunty\Core\Book\Line;
use Jaunty\Core\Book\Menu;

/** Callers may dial any extension, also of what is not meant for them. */
final readonly class ExtensionsOpenToCallers implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.extensions-open-to-callers',
            Severity::Note,
            'A menu lets callers dial any extension, among them lines that are not meant for callers.',
            'A caller who tries numbers reaches the lift, the alarm or the fax.',
            'Let the menu reach the extensions of its site only, or take the extensions from those lines.',
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $lines = array_values(
            array_filter(
                $inspection->book->all(Line::class),
                static fn (Line $line): bool => $line->extension !== null,
            ),
        );
        foreach ($inspection->book->all(Menu::class) as $menu) {
            $reached = array_values(array_filter(
                $lines,
                static fn (Line $line): bool => $menu->dialExtensions['scope'] === ExtensionReach::All || (
                    $menu->dialExtensions['scope'] === ExtensionReach::Site
                    && (string) $line->site === (string) $menu->site
                ),
            ));
            if ($reached !== []) {
                yield Found::of(
                    "{$menu->name}: callers may dial {$inspection->names->listed($reached)}",
                    count($reached) === 1
                        ? 'It has an extension, and the menu lets extensions be dialled.'
                        : 'They have extensions, and the menu lets extensions be dialled.',
                    $menu,
                )->at('dialExtensions/scope');
            }
        }
    }
}
