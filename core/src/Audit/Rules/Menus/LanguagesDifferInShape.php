<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Menus;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\Prompt;
use Jaunty\Core\Words\Listing;

/** Menus for two languages that do not offer the same. */
final readonly class LanguagesDifferInShape implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.languages-differ-in-shape',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Menu::class) as $menu) {
            $byLanguage = [];
            foreach ($menu->keys as $key) {
                $to = $inspection->find($key->to, Menu::class);
                $language = $inspection->find($to?->prompt, Prompt::class)?->language;
                if ($to !== null && $language !== null) {
                    $byLanguage[substr(strtolower($language), 0, 2)] ??= $to;
                }
            }
            $first = array_shift($byLanguage);
            foreach ($byLanguage as $other) {
                $differ = array_merge(
                    array_diff(array_keys($first->keys ?? []), array_keys($other->keys)),
                    array_diff(array_keys($other->keys), array_keys($first->keys ?? [])),
                );
                if ($first !== null && $differ !== []) {
                    sort($differ);
                    yield Found::of(
                        ['first' => $first->name, 'other' => $other->name, 'differ' => Listing::of($differ)],
                        $other,
                        $first,
                        $menu,
                    )->at('keys');
                }
            }
        }
    }
}
