<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls;

/** Loops and waits of explored calls, found on the components of states that reach each other. */
final readonly class Prospects
{
    /** States of a loop from which its shortest round is looked for. */
    private const MOST_TRIED = 40;

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

    /** @return list<Loop> one for each component that leads back to itself */
    public function loops(): array
    {
        $loops = [];
        foreach ($this->components as $component) {
            $inside = array_fill_keys($component, true);
            $all = $this->within($inside, static fn (Edge $edge): bool => true);
            if (count($component) === 1 && $all[$component[0]] === []) {
                continue;
            }
            $passive = $this->within($inside, static fn (Edge $edge): bool => $edge->choice->isPassive);
            $keyless = $this->within($inside, static fn (Edge $edge): bool => ! $edge->choice->needsKey);
            $loops[] = new Loop(match (true) {
                self::goesRound($passive) => Loop::INESCAPABLE,
                self::goesRound($keyless) => Loop::CONDITIONAL,
                default => Loop::CALLER_DRIVEN,
            }, $component, self::goesRound($passive) ? $this->round($passive) : $this->shortestRound($inside));
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

    /** @param array<string, list<string>> $passive */
    private function round(array $passive): int
    {
        $seconds = 0;
        foreach (Components::of($passive) as $component) {
            if (count($component) === 1 && ! in_array($component[0], $passive[$component[0]], true)) {
                continue;
            }
            foreach ($component as $key) {
                foreach ($this->explored->edges[$key] as $edge) {
                    $seconds += $edge->choice->isPassive && in_array((string) $edge->to, $component, true) ? (int) $edge->choice->most : 0;
                }
            }
        }

        return $seconds;
    }

    /**
     * Seconds that the round with the fewest steps adds at most.
     *
     * @param  array<string, true>  $inside
     */
    private function shortestRound(array $inside): int
    {
        $best = null;
        foreach (array_slice(array_keys($inside), 0, self::MOST_TRIED) as $start) {
            $seen = [];
            $open = [[$start, 0, 0]];
            for ($done = 0; $done < count($open); $done++) {
                [$key, $steps, $seconds] = $open[$done];
                foreach ($this->explored->edges[$key] as $edge) {
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
