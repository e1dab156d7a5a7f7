<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls;

/** All calls at once: every state that can be reached from the starts, and every choice there, for one saying of the schedules. */
final readonly class Explorer
{
    public const MOST_STATES = 50_000;

    /**
     * @param  array<string, State>  $states  by key, as they were found
     * @param  array<string, list<Edge>>  $edges  by the key of the state they leave
     * @param  array<string, string>  $asked  what schedules were asked and said, by slot; where they say it again, this holds again
     * @param  array<string, true>  $read  what of the book was looked at
     * @param  bool  $isComplete  whether every state was followed
     */
    private function __construct(public array $states, public array $edges, public array $asked, public array $read, public bool $isComplete)
    {
    }

    /**
     * @param  Graph  $graph  with its schedules saying what holds in this run
     * @param  ?list<State>  $starts  unset: every number, and every extension dialled from inside
     */
    public static function explore(Graph $graph, ?array $starts = null, int $mostStates = self::MOST_STATES): self
    {
        $states = [];
        $edges = [];
        $asked = [];
        $read = [];
        $open = [];
        foreach ($starts ?? $graph->starts() as $start) {
            $states[$start->key()] = $open[] = $start;
        }
        while (($state = array_pop($open)) !== null) {
            if (count($edges) >= $mostStates) {
                return new self($states, $edges, $asked, $read, false);
            }
            $crossing = $graph->edges($state);
            $edges[$state->key()] = $crossing->edges;
            $asked += $crossing->asked;
            $read += $crossing->read;
            foreach ($crossing->edges as $edge) {
                if ($edge->to !== null && ! isset($states[$edge->to]) && $edge->next->state !== null) {
                    // Marked as found at once, so that nothing stands in line twice.
                    $states[$edge->to] = $open[] = $edge->next->state;
                }
            }
        }

        return new self($states, $edges, $asked, $read, true);
    }

    /** @return list<array{Outcome, string}> each distinct end that can be reached from a state, in the order of its finding */
    public function ends(State $from): array
    {
        $ends = [];
        $seen = [];
        $open = [$from->key()];
        while (($key = array_pop($open)) !== null) {
            if (isset($seen[$key])) {
                continue;
            }
            $seen[$key] = true;
            foreach ($this->edges[$key] ?? [] as $edge) {
                if ($edge->next->outcome !== null) {
                    $ends["{$edge->next->outcome->value} {$edge->next->target}"] = [$edge->next->outcome, $edge->next->target];
                } else {
                    $open[] = (string) $edge->to;
                }
            }
        }

        return array_values($ends);
    }

    /**
     * What becomes of a caller who does nothing and whom nobody answers.
     *
     * @return array{list<string>, ?Outcome, string} the keys of the states passed; the end, or null for a loop that has none; its target
     */
    public function passiveRun(State $from): array
    {
        $passed = [];
        $state = $from;
        while (true) {
            $key = $state->key();
            if (isset($passed[$key])) {
                return [array_keys($passed), null, $state->object];
            }
            $passed[$key] = true;
            $edge = self::passiveEdge($this->edges[$key] ?? []);
            if ($edge === null || $edge->next->outcome !== null) {
                return [array_keys($passed), $edge?->next->outcome, $edge === null ? $state->object : $edge->next->target];
            }
            $state = $edge->next->state ?? throw new \LogicException('neither a state nor an end');
        }
    }

    /**
     * The edges of that run, in order; an endless one comes last.
     *
     * @return list<Edge>
     */
    public function passiveEdges(State $from): array
    {
        $edges = array_map(fn (string $key): ?Edge => self::passiveEdge($this->edges[$key] ?? []), $this->passiveRun($from)[0]);

        return array_values(array_filter($edges, static fn (?Edge $edge): bool => $edge !== null));
    }

    /** @param list<Edge> $edges */
    private static function passiveEdge(array $edges): ?Edge
    {
        foreach ($edges as $edge) {
            if ($edge->choice->isPassive) {
                return $edge;
            }
        }

        return null;
    }
}
