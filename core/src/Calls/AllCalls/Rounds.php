<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\AllCalls;

use Jaunty\Core\Calls\Law\Loop;
use Jaunty\Core\Calls\Law\LoopKind;
use Jaunty\Core\Calls\Law\Place;

/**
 * Where explored calls go round without anybody's pressing a key: by themselves, or while somebody is busy, away, or
 * does not answer. Whoever comes there stays there.
 *
 * @internal
 */
final readonly class Rounds
{
    /** States of a loop from which its shortest round is looked for. */
    private const MOST_TRIED = 40;

    /** @return list<Loop> */
    public static function of(Explorer $explored): array
    {
        $next = self::cyclic($explored);
        $loops = [];
        foreach ($next === [] ? [] : Components::of($next) as $component) {
            if (count($component) > 1 || in_array($component[0], $next[$component[0]] ?? [], true)) {
                array_push($loops, ...self::in($explored, array_fill_keys($component, true)));
            }
        }

        return $loops;
    }

    /**
     * What is left of the ways without keys when everything is taken away that no round leads through: mostly nothing.
     *
     * @return array<array-key, list<string>> the states each leads to
     */
    private static function cyclic(Explorer $explored): array
    {
        $next = [];
        $into = [];
        foreach ($explored->edges as $key => $edges) {
            $to = [];
            foreach ($edges as $edge) {
                if ($edge->to !== null && ! $edge->choice->needsKey) {
                    $to[] = $edge->to;
                    $into[$edge->to] = ($into[$edge->to] ?? 0) + 1;
                }
            }
            $next[$key] = $to;
        }
        $open = array_keys(array_diff_key($next, $into));
        while (($key = array_pop($open)) !== null) {
            foreach ($next[$key] as $to) {
                if (--$into[$to] === 0 && isset($next[$to])) {
                    $open[] = $to;
                }
            }
            unset($next[$key]);
        }

        // Of what is left, whatever comes after the rounds leads nowhere back.
        return array_map(
            static fn (array $to): array => array_values(
                array_filter($to, static fn (string $each): bool => isset($next[$each])),
            ),
            $next,
        );
    }

    /**
     * @param  non-empty-array<string, true>  $inside
     * @return non-empty-list<Loop>
     */
    private static function in(Explorer $explored, array $inside): array
    {
        $states = array_map(strval(...), array_keys($inside));
        $loops = [];
        foreach (self::passiveRounds($explored, $inside) as $round) {
            $loops[] = new Loop(
                LoopKind::Inescapable,
                $states,
                self::seconds($explored, $round),
                self::objects($explored, $round),
                self::isOneMenu($explored, $round),
            );
        }

        return $loops === []
            ? [new Loop(
                LoopKind::Conditional,
                $states,
                self::shortest($explored, $inside, false),
                self::objects($explored, $inside),
                false,
            )]
            : $loops;
    }

    /**
     * @param  non-empty-array<string, true>  $inside
     * @return non-empty-list<string>
     */
    private static function objects(Explorer $explored, array $inside): array
    {
        $objects = array_unique(
            array_map(static fn (string|int $key): string => $explored->states[$key]->object, array_keys($inside)),
        );
        sort($objects);

        return $objects;
    }

    /**
     * @param  array<string, true>  $inside
     * @return list<non-empty-array<string, true>> the states that whoever does nothing passes again and again
     */
    private static function passiveRounds(Explorer $explored, array $inside): array
    {
        $rounds = [];
        $done = [];
        foreach (array_keys($inside) as $start) {
            $path = [];
            $key = (string) $start;
            while (isset($inside[$key]) && ! isset($done[$key]) && ! isset($path[$key])) {
                $path[$key] = true;
                $key = (string) self::passive($explored, $key)?->to;
            }
            if (isset($path[$key])) {
                $rounds[] = [$key => true] + array_slice(
                    $path,
                    (int) array_search($key, array_map(strval(...), array_keys($path)), true),
                    null,
                    true,
                );
            }
            $done += $path;
        }

        return $rounds;
    }

    private static function passive(Explorer $explored, string $key): ?Edge
    {
        foreach ($explored->edges[$key] ?? [] as $edge) {
            if ($edge->choice->isPassive) {
                return $edge;
            }
        }

        return null;
    }

    /** @param array<string, true> $round */
    private static function seconds(Explorer $explored, array $round): int
    {
        return array_sum(array_map(
            static fn (string|int $key): int => (int) self::passive($explored, (string) $key)?->choice->most,
            array_keys($round),
        ));
    }

    /** @param array<string, true> $round */
    private static function isOneMenu(Explorer $explored, array $round): bool
    {
        $menus = [];
        foreach (array_keys($round) as $key) {
            $state = $explored->states[$key];
            $menus[$state->place === Place::Menu ? $state->object : ''] = true;
        }

        return count($menus) === 1 && ! isset($menus['']);
    }

    /**
     * Seconds that the round with the fewest steps adds at most.
     *
     * @param  array<string, true>  $inside
     * @param  bool  $withKeys  whether rounds count on which keys are pressed
     */
    public static function shortest(Explorer $explored, array $inside, bool $withKeys): int
    {
        $best = null;
        foreach (array_slice(array_keys($inside), 0, self::MOST_TRIED) as $start) {
            $seen = [];
            $open = [[$start, 0, 0]];
            for ($done = 0; $done < count($open); $done++) {
                [$key, $steps, $seconds] = $open[$done];
                foreach ($explored->edges[$key] as $edge) {
                    if ($edge->choice->needsKey && ! $withKeys) {
                        continue;
                    }
                    $round = [$steps + 1, $seconds + (int) $edge->choice->most];
                    if ($edge->to === $start) {
                        $best = $best === null ? $round : min($best, $round);
                    } elseif (isset($inside[(string) $edge->to]) && ! isset($seen[(string) $edge->to])) {
                        $seen[(string) $edge->to] = true;
                        $open[] = [(string) $edge->to, ...$round];
                    }
                }
            }
        }

        return $best[1] ?? 0;
    }
}
