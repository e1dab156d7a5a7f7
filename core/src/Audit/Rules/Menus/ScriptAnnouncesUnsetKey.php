<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Menus;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\ExtensionReach;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\NameScope;
use Jaunty\Core\Book\Prompt;
use Jaunty\Core\Prompts\SpokenKeys;

/** The script offers a key that is not set. */
final readonly class ScriptAnnouncesUnsetKey implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.script-announces-unset-key',
            Severity::Error,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Menu::class) as $menu) {
            $prompt = $inspection->find($menu->prompt, Prompt::class);
            foreach (SpokenKeys::in($prompt?->script, $prompt->language ?? 'en') as $key => $sentence) {
                if (! isset($menu->keys[$key]) && ! $this->isDialled($menu, (string) $key)) {
                    yield Found::of(
                        ['menu' => $menu->name, 'key' => $key, 'sentence' => $sentence],
                        $menu,
                        ...($prompt === null ? [] : [$prompt]),
                    )
                        ->at('keys', (string) $key);
                }
            }
        }
    }

    /** Where extensions or names may be dialled, star and hash can mean other things than a choice. */
    private function isDialled(Menu $menu, string $key): bool
    {
        return ($menu->dialExtensions['scope'] !== ExtensionReach::Off || $menu->dialByName['scope'] !== NameScope::Off)
            && in_array($key, ['*', '#'], true);
    }
}
