<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Menus;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Calls\Components;
use Jaunty\Core\Calls\Run;

/** A caller whose keys are always wrong never leaves. */
final readonly class WrongKeysGoRound implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.wrong-keys-go-round',
            Severity::Warning,
            'Too many wrong keys lead back to the menu they were pressed in.',
            'A caller who does not understand the menu, or whose telephone sends the wrong tones, never reaches anybody.',
            'Lead too many wrong keys to somebody, as silence does.',
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $told = [];
        foreach ($inspection->survey()->runs as $run) {
            $next = [];
            foreach ($run->explored->edges as $key => $edges) {
                $next[$key] = [];
                foreach ($edges as $edge) {
                    $isForced = count($edges) === 1 && $edge->choice->isPassive;
                    if ($edge->to !== null && ($edge->choice->event->kind === 'wrong' || $isForced)) {
                        $next[$key][] = $edge->to;
                    }
                }
            }
            foreach (Components::of($next) as $component) {
                $menus = array_values(array_filter(array_map(static fn (string $key): string => $run->explored->states[$key]->object, $component), static fn (string $name): bool => str_starts_with($name, 'menu:')));
                $menu = $menus === [] ? null : $inspection->book->find(Reference::parse($menus[0]));
                if ((count($component) === 1 && ! in_array($component[0], $next[$component[0]], true)) || ! $menu instanceof Menu || isset($told[$menu->key])) {
                    continue;
                }
                $told[$menu->key] = true;
                yield Finding::of(
                    $this->about(),
                    "{$menu->name}: wrong keys lead back to it for ever",
                    'After ' . ($menu->invalidAllowed === 1 ? 'a wrong key' : "{$menu->invalidAllowed} wrong keys") . " a caller is led to {$inspection->name($menu->invalid ?? $menu->silence)}, and hears the same menu again.",
                    $menu,
                )->at('invalid')->shownBy($this->call($inspection, $menu, $run))
                    ->fixedBy($menu->silence === null || (string) $menu->silence === (string) $menu->invalid ? null : Fix::set("Lead them to {$inspection->name($menu->silence)}, as silence does", $menu, 'invalid', (string) $menu->silence));
            }
        }
    }

    /** @return ?array<string, mixed> as many wrong keys as lead out, twice */
    private function call(Inspection $inspection, Menu $menu, Run $run): ?array
    {
        foreach (['9', '8', '7', '6', '5', '#', '*'] as $key) {
            if (! isset($menu->keys[$key])) {
                return ['to' => $run->number, 'at' => gmdate('Y-m-d\TH:i:s\Z', $inspection->survey()->firstInstant($run)), 'keys' => array_fill(0, 2 * $menu->invalidAllowed, ['key' => $key])];
            }
        }

        return null;
    }

    public function samples(): Samples
    {
        $menu = static fn (string $invalid): array => ['key' => 'day', 'name' => 'Day menu', 'prompt' => 'prompt:day', 'silence' => 'release', 'invalid' => $invalid, 'keys' => ['1' => ['to' => 'release']]];

        return Samples::of(
            ['prompts' => [['key' => 'day', 'script' => 'For the yard, press 1.']], 'numbers' => [['key' => Samples::NUMBER, 'destination' => 'menu:day']], 'menus' => [$menu('release')]],
            ['menus' => [$menu('menu:day')]],
        );
    }
}
