<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\AllCalls;

use Jaunty\Core\Calls\Law\Next;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\Law\Place;
use Jaunty\Core\Calls\Law\State;

/**
 * All calls at once: every state that can be reached from the starts, and every choice there, for one saying of the
 * schedules.
 */
final readonly class Explorer
{
    public const MOST_STATES = 50_000;

    /**
     * @param  array<string, State>  $states  by key, as they were found
     * @param  array<string, list<Edge>>  $edges  by the key of the state they leave
     * @param  array<string, string>  $asked  what schedules were asked and said, by slot; where they say it again, this
     *     holds again
     * @param  array<string, true>  $read  what of the book was looked at
     * @param  bool  $isComplete  whether every state was followed
     * @param  int  $mostTransfers  of a call; what only more of them lead to ends as an overrun
     * @param  bool  $endsTooFar  whether anything ends so
     */
    private function __construct(
        public array $states,
        public array $edges,
        public array $asked,
        public array $read,
        public bool $isComplete,
        public int $mostTransfers,
        public bool $endsTooFar,
    ) {
    }

    /**
     * Follows whatever can be come to within the tenant's transfers, fewest first.
     *
     * @param  Graph  $graph  with its schedules saying what holds in this run
     * @param  ?list<State>  $starts  unset: every number, and every extension dialled from inside
     */
    public static function explore(Graph $graph, ?array $starts = null, int $mostStates = self::MOST_STATES): self
    {
        $states = [];
        $edges = [];
        $asked = [];
        $read = [];
        $tooFar = [];
        // The first destination that is followed is no transfer yet.
        $most = $graph->transferLimit() + 1;
        $starts ??= $graph->starts();
        $found = [];
        $open = [[], []];
        foreach ($starts as $start) {
            $states[$start->key()] = $open[self::followed($start)][] = $start;
            $found[$start->key()] = self::followed($start);
        }
        [$now, $later] = $open;
        for ($transfers = 0; $now !== [] || $later !== []; $transfers++) {
            while (($state = array_pop($now)) !== null) {
                $key = $state->key();
                if (isset($edges[$key])) {
                    continue;
                }
                if (count($edges) >= $mostStates || $graph->isSpent()) {
                    return self::broken($graph, $starts, $states, $edges, $asked, $read, $most);
                }
                $crossing = $graph->edges($state);
                $edges[$key] = $crossing->edges;
                $asked += $crossing->asked;
                $read += $crossing->read;
                foreach ($crossing->edges as $index => $edge) {
                    $to = $edge->to;
                    if ($to === null || ($found[$to] ?? PHP_INT_MAX) <= $transfers) {
                        continue;
                    }
                    $next = $edge->next->state ?? throw new \LogicException('a state has no key without it');
                    if (! $edge->next->isTransfer) {
                        // Marked as found at once, so that nothing stands in line twice.
                        $states[$to] ??= $next;
                        $found[$to] = $transfers;
                        $now[] = $next;
                    } elseif ($transfers === $most) {
                        $tooFar[] = [$key, $index, $next];
                    } elseif (! isset($found[$to])) {
                        $states[$to] = $next;
                        $found[$to] = $transfers + 1;
                        $later[] = $next;
                    }
                }
            }
            [$now, $later] = [$later, []];
        }
        $endsTooFar = false;
        foreach ($tooFar as [$key, $index, $state]) {
            if (! isset($edges[$state->key()])) {
                $endsTooFar = true;
                $ways = $edges[$key];
                $ways[$index] = new Edge($ways[$index]->choice, Next::end(Outcome::Overrun, $state->object), null);
                $edges[$key] = array_values($ways);
            }
        }

        return new self($states, $edges, $asked, $read, true, $most, $endsTooFar);
    }

    /**
     * As far as it was followed, and what becomes of callers who do nothing: that is known whatever else is not.
     *
     * @param  list<State>  $starts
     * @param  array<string, State>  $states
     * @param  array<string, list<Edge>>  $edges
     * @param  array<string, string>  $asked
     * @param  array<string, true>  $read
     */
    private static function broken(
        Graph $graph,
        array $starts,
        array $states,
        array $edges,
        array $asked,
        array $read,
        int $most,
    ): self {
        foreach ($starts as $state) {
            for (
                $passed = [];
                $state !== null && ! isset($passed[$state->key()]);
                $state = self::passiveEdge($edges[$state->key()])?->next->state
            ) {
                $key = $state->key();
                $passed[$key] = true;
                $states[$key] ??= $state;
                if (! isset($edges[$key])) {
                    $crossing = $graph->edges($state);
                    $edges[$key] = $crossing->edges;
                    $asked += $crossing->asked;
                    $read += $crossing->read;
                    foreach ($crossing->edges as $edge) {
                        if ($edge->next->state !== null) {
                            $states[(string) $edge->to] ??= $edge->next->state;
                        }
                    }
                }
            }
        }

        return new self($states, $edges, $asked, $read, false, $most, false);
    }

    /** Destinations followed already where a call begins: dialling an extension is one. */
    public static function followed(State $start): int
    {
        return $start->place === Place::Number ? 0 : 1;
    }

    /**
     * @return list<array{Outcome, string}> each distinct end that can be reached from a state, in the order of its
     *     finding
     */
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
                    $ends["{$edge->next->outcome->value} {$edge->next->target}"] = [
                        $edge->next->outcome,
                        $edge->next->target,
                    ];
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
     * @return array{list<string>, ?Outcome, string} the keys of the states passed; the end, or null for a loop that has
     *     none; its target
     */
    public function passiveRun(State $from): array
    {
        $passed = [];
        $state = $from;
        $followed = self::followed($from);
        while (true) {
            $key = $state->key();
            if (isset($passed[$key])) {
                return [array_keys($passed), null, $state->object];
            }
            if ($followed > $this->mostTransfers) {
                return [array_keys($passed), Outcome::Overrun, $state->object];
            }
            $passed[$key] = true;
            $edge = self::passiveEdge($this->edges[$key] ?? []);
            if ($edge === null || $edge->next->outcome !== null) {
                return [
                    array_keys($passed),
                    $edge?->next->outcome,
                    $edge === null ? $state->object : $edge->next->target,
                ];
            }
            $followed += $edge->next->isTransfer ? 1 : 0;
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
        $edges = array_map(
            fn (string $key): ?Edge => self::passiveEdge($this->edges[$key] ?? []),
            $this->passiveRun($from)[0],
        );

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
