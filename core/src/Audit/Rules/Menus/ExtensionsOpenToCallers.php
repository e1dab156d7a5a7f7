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
                    [
                        'menu' => $menu->name,
                        'reached' => $inspection->names->several($reached),
                        'n' => count($reached),
                    ],
                    $menu,
                )->at('dialExtensions/scope');
            }
        }
    }
}
