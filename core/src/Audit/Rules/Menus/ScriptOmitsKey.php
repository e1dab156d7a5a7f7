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
use Jaunty\Core\Prompts\SpokenKeys;

/** A key that is set and never announced. */
final readonly class ScriptOmitsKey implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.script-omits-key',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Menu::class) as $menu) {
            $prompt = $inspection->find($menu->prompt, Prompt::class);
            $told = SpokenKeys::in($prompt?->script, $prompt->language ?? 'en');
            // A script that tells of no key is a recording's stand-in, or in a language we do not read.
            foreach ($told === [] ? [] : $menu->keys as $key) {
                if (! isset($told[$key->key])) {
                    yield Found::of(
                        [
                            'menu' => $menu->name,
                            'key' => $key->key,
                            'label' => $key->label ?? $inspection->names->of($key->to),
                        ],
                        $menu,
                    )->at("keys/{$key->key}/to", $key->key);
                }
            }
        }
    }
}
