<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\AllCalls;

use Jaunty\Core\Calls\Law\Loop;
use Jaunty\Core\Calls\Law\LoopKind;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\Law\State;

/** Loops and waits of explored calls, found on the components of states that reach each other. */
final readonly class Prospects
{
    /** @param list<non-empty-list<string>> $components keys of states, each component before those that lead to it */
    private function __construct(private Explorer $explored, private array $components)
    {
    }

    public static function of(Explorer $explored): self
    {
        $next = [];
        foreach ($explored->edges as $key => $edges) {
            $next[$key] = [];
            foreach ($edges as $edge) {
                if ($edge->to !== null) {
                    $next[$key][] = $edge->to;
                }
            }
        }

        return new self($explored, Components::of($next));
    }

    /**
     * @return list<Loop> those that go round by themselves or while somebody is busy or away, and those that callers
     *     drive by keys
     */
    public function loops(): array
    {
        $loops = Rounds::of($this->explored);
        $round = array_fill_keys(
            array_merge(...array_map(static fn (Loop $loop): array => $loop->states, $loops)),
            true,
        );
        foreach ($this->components as $component) {
            $inside = array_fill_keys($component, true);
            $goesRound = count($component) > 1
                || $this->within($inside, static fn (Edge $edge): bool => true)[$component[0]] !== [];
            if ($goesRound && array_intersect_key($inside, $round) === []) {
                $objects = array_values(array_unique(
                    array_map(fn (string $key): string => $this->explored->states[$key]->object, $component),
                ));
                $loops[] = new Loop(
                    LoopKind::CallerDriven,
                    $component,
                    Rounds::shortest($this->explored, $inside, true),
                    $objects,
                    false,
                );
            }
        }

        return $loops;
    }

    /**
     * How long a call can last at most before its end, from a state; keys that lead round again left out.
     *
     * @return ?int seconds; null where it has no end
     */
    public function longest(State $start): ?int
    {
        $longest = [];
        foreach ($this->components as $component) {
            $inside = array_fill_keys($component, true);
            // What is left inside a component without keys must not go round; then its states can be taken one by one.
            $keyless = $this->within($inside, static fn (Edge $edge): bool => ! $edge->choice->needsKey);
            $isEndless = self::goesRound($keyless);
            foreach ($isEndless ? $component : array_merge(...Components::of($keyless)) as $key) {
                $longest[$key] = $isEndless ? null : $this->longestFrom($key, $inside, $longest);
            }
        }

        return $longest[$start->key()] ?? null;
    }

    /** @return ?int least seconds to any end of some outcomes; null where none can be reached */
    public function shortest(State $start, Outcome ...$outcomes): ?int
    {
        $least = null;
        foreach (ShortestPaths::of($this->explored, $start, fewestDeeds: false) as $path) {
            if (in_array($path[count($path) - 1][1]->next->outcome, $outcomes, true)) {
                $seconds = array_sum(array_map(static fn (array $step): int => $step[1]->choice->least, $path));
                $least = min($least ?? $seconds, $seconds);
            }
        }

        return $least;
    }

    /**
     * @param  array<string, true>  $inside
     * @param  array<string, ?int>  $longest  of every state this one leads to
     */
    private function longestFrom(string $key, array $inside, array $longest): ?int
    {
        $most = 0;
        foreach ($this->explored->edges[$key] ?? [] as $edge) {
            if ($edge->choice->needsKey && isset($inside[(string) $edge->to])) {
                continue;
            }
            $rest = $edge->to === null ? 0 : $longest[$edge->to];
            if ($edge->choice->most === null || $rest === null) {
                return null;
            }
            $most = max($most, $edge->choice->most + $rest);
        }

        return $most;
    }

    /**
     * @param  array<string, true>  $inside
     * @param  callable(Edge): bool  $counts
     * @return array<string, list<string>> the states each leads to inside a component
     */
    private function within(array $inside, callable $counts): array
    {
        $next = [];
        foreach (array_keys($inside) as $key) {
            $next[$key] = [];
            foreach ($this->explored->edges[$key] ?? [] as $edge) {
                if ($edge->to !== null && isset($inside[$edge->to]) && $counts($edge)) {
                    $next[$key][] = $edge->to;
                }
            }
        }

        return $next;
    }

    /** @param array<string, list<string>> $next */
    private static function goesRound(array $next): bool
    {
        foreach (Components::of($next) as $component) {
            if (count($component) > 1 || in_array($component[0], $next[$component[0]], true)) {
                return true;
            }
        }

        return false;
    }
}
