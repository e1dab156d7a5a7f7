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
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Calls\AllCalls\Components;
use Jaunty\Core\Calls\AllCalls\Edge;
use Jaunty\Core\Calls\AllCalls\Explorer;
use Jaunty\Core\Calls\Law\EventKind;
use Jaunty\Core\Calls\Law\Place;
use Jaunty\Core\Calls\Year\Run;

/** A caller whose keys are always wrong never leaves. */
final readonly class WrongKeysGoRound implements Rule
{
    public function about(): About
    {
        return new About(
            'menus.wrong-keys-go-round',
            Severity::Warning,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $told = [];
        $survey = $inspection->survey();
        foreach ($survey->runs as $run) {
            foreach ($survey->once($run, 'wrong keys', self::rounds(...)) as $name) {
                $menu = $inspection->find(Reference::parse($name), Menu::class);
                if ($menu === null || isset($told[$menu->key])) {
                    continue;
                }
                $told[$menu->key] = true;
                yield Found::of(
                    [
                        'menu' => $menu->name,
                        'invalidAllowed' => $menu->invalidAllowed,
                        'invalid' => $inspection->names->said($menu->invalid ?? $menu->silence),
                    ],
                    $menu,
                )->at('invalid')->shownBy($this->call($inspection, $menu, $run))
                    ->fixedBy(
                        $menu->silence === null || (string) $menu->silence === (string) $menu->invalid
                        ? null
                        : Fix::set(
                            "Lead them to {$inspection->names->of($menu->silence)}, as silence does",
                            $menu,
                            'invalid',
                            (string) $menu->silence,
                        ),
                    );
            }
        }
    }

    /** @return list<string> a menu of each round that wrong keys lead */
    private static function rounds(Explorer $explored): array
    {
        $next = self::afterWrongKeys($explored);
        $rounds = array_filter(
            Components::of($next),
            static fn (array $component): bool => count($component) > 1
                || in_array($component[0], $next[$component[0]], true),
        );

        return array_values(
            array_map(static fn (array $component): string => $explored->states[$component[0]]->object, $rounds),
        );
    }

    /**
     * @return array<string, list<string>> the menus that wrong keys lead to, by the menu they are pressed in; as keys
     *     of states
     */
    private static function afterWrongKeys(Explorer $explored): array
    {
        $next = [];
        foreach ($explored->states as $key => $state) {
            if ($state->place === Place::Menu) {
                $next[$key] = [];
                $edges = $explored->edges[$key] ?? [];
                foreach ($edges as $edge) {
                    $to = $edge->choice->event->kind === EventKind::Wrong || self::isForced($edges)
                        ? self::nextMenu($explored, $edge->to)
                        : null;
                    if ($to !== null) {
                        $next[$key][] = $to;
                    }
                }
            }
        }

        return $next;
    }

    /** The menu a call comes to by itself: where nothing else can happen on the way. */
    private static function nextMenu(Explorer $explored, ?string $key): ?string
    {
        for ($steps = 0; $key !== null && $steps <= count($explored->states); $steps++) {
            if ($explored->states[$key]->place === Place::Menu) {
                return $key;
            }
            $edges = $explored->edges[$key] ?? [];
            $key = self::isForced($edges) ? $edges[0]->to : null;
        }

        return null;
    }

    /** @param list<Edge> $edges */
    private static function isForced(array $edges): bool
    {
        return count($edges) === 1 && $edges[0]->choice->isPassive;
    }

    /** @return ?array<string, mixed> as many wrong keys as lead out, twice */
    private function call(Inspection $inspection, Menu $menu, Run $run): ?array
    {
        foreach (['9', '8', '7', '6', '5', '#', '*'] as $key) {
            if (! isset($menu->keys[$key])) {
                return [
                    'to' => $run->number,
                    'at' => gmdate('Y-m-d\TH:i:s\Z', $inspection->survey()->firstInstant($run)),
                    'keys' => array_fill(0, 2 * $menu->invalidAllowed, ['key' => $key]),
                ];
            }
        }

        return null;
    }
}
