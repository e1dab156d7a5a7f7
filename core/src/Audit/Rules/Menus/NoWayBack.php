<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Menus;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\MenuKey;

/** A menu behind another, without a way back. */
final readonly class NoWayBack implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.no-way-back',
            Severity::Note,
            'A menu behind another has no key that leads back.',
            'Whoever pressed the wrong key has to hang up and call again.',
            'Let a key lead back, and say so.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Menu::class) as $menu) {
            $from = array_values(array_filter($inspection->usesOf($menu), static fn (array $use): bool => $use[0] instanceof Menu && $use[0]->key !== $menu->key));
            $back = array_filter($menu->keys, static fn (MenuKey $key): bool => in_array($key->to?->word, ['back', 'operator'], true) || in_array($inspection->find($key->to, Menu::class), array_column($from, 0), true));
            if ($from !== [] && $menu->keys !== [] && $back === []) {
                yield Finding::of($this->about(), "{$menu->name} has no way back", "Callers come to it from {$inspection->name($from[0][0])}.", $menu)->at('keys');
            }
        }
    }

    public function samples(): Samples
    {
        $menu = static fn (array $keys): array => ['key' => 'more', 'name' => 'More', 'prompt' => 'prompt:more', 'silence' => 'mailbox:desk', 'keys' => $keys];
        $day = ['key' => 'day', 'name' => 'Day menu', 'prompt' => 'prompt:day', 'silence' => 'mailbox:desk', 'keys' => ['1' => ['to' => 'menu:more']]];
        $one = ['1' => ['to' => 'mailbox:desk']];

        return Samples::of(['mailboxes' => [['key' => 'desk']], 'prompts' => [['key' => 'day', 'script' => 'For more, press 1.'], ['key' => 'more', 'script' => 'For the desk, press 1. To go back, press 9.']], 'menus' => [$day, $menu($one + ['9' => ['to' => 'back']])]], ['menus' => [$day, $menu($one)], 'prompts' => [['key' => 'day', 'script' => 'For more, press 1.'], ['key' => 'more', 'script' => 'For the desk, press 1.']]]);
    }
}
