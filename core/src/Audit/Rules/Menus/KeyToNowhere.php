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
use Jaunty\Core\Book\MenuKey;
use Jaunty\Core\Book\Prompt;
use Jaunty\Core\Prompts\SpokenKeys;

/** A key of a menu that is set and leads nowhere. */
final readonly class KeyToNowhere implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.key-to-nowhere',
            Severity::Error,
            About::MODEL,
            explains: ['flow.dead-end'],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Menu::class) as $menu) {
            foreach ($menu->keys as $key) {
                if ($key->to === null) {
                    yield Found::of(
                        ['menu' => $menu->name, 'key' => $key->key],
                        $menu,
                    )->at("keys/{$key->key}/to", $key->key)
                        ->fixedBy($this->fix($inspection, $menu, $key));
                }
            }
        }
    }

    /** Taking a key away that is announced would only make it another fault. */
    private function fix(Inspection $inspection, Menu $menu, MenuKey $key): ?Fix
    {
        $prompt = $inspection->find($menu->prompt, Prompt::class);
        if (! isset(SpokenKeys::in($prompt?->script, $prompt->language ?? 'en')[$key->key])) {
            return Fix::of("Take key {$key->key} away", Fix::leavingOut($menu, 'keys', $key->key));
        }

        return $menu->silence === null
            ? null
            : Fix::set(
                "Lead it to {$inspection->names->of($menu->silence)}, as silence",
                $menu,
                "keys/{$key->key}/to",
                (string) $menu->silence,
            );
    }
}
