<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\AllCalls;

use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\Law\State;

/**
 * Where a call can be handed on more often than the tenant's switch allows, on some way that comes to no place twice.
 * Ways are looked through only where that many transfers are possible at all, the longest first, and a place with so
 * many left once.
 *
 * @internal
 */
final class Overruns
{
    private const MOST_STEPS = 20_000;

    /** @var array<string, true> ends found so far */
    private array $found = [];

    /** @var array<string, true> a state and the transfers left there, looked at already */
    private array $seen = [];

    /**
     * @param  array<string, int>  $component  by state
     * @param  array<int, int>  $ahead  transfers that can come at most from a component on
     */
    private function __construct(
        private readonly Explorer $explored,
        private readonly array $component,
        private readonly array $ahead,
    ) {
    }

    /** @return list<string> as `overrun target` */
    public static function of(Explorer $explored, State $start): array
    {
        $room = $explored->mostTransfers - Explorer::followed($start);
        $targets = [];
        foreach ($explored->edges as $edges) {
            foreach ($edges as $edge) {
                if ($edge->next->isTransfer && $edge->to !== null) {
                    $targets[$edge->to] = true;
                }
            }
        }
        // A way that comes to no place twice is handed on at most once to each.
        if (! $explored->isComplete || count($targets) <= $room) {
            return [];
        }
        $next = [];
        foreach ($explored->edges as $key => $edges) {
            $next[$key] = array_values(
                array_filter(array_map(static fn (Edge $edge): ?string => $edge->to, $edges), is_string(...)),
            );
        }
        $components = Components::of($next);
        $component = [];
        foreach ($components as $index => $members) {
            $component += array_fill_keys($members, $index);
        }
        $self = new self($explored, $component, self::ahead($explored, $components, $component));
        if ($self->ahead[$component[$start->key()]] > $room) {
            $self->look($start, $room);
        }

        return array_keys($self->found);
    }

    /**
     * @param  list<non-empty-list<string>>  $components  each before those that lead to it
     * @param  array<string, int>  $component
     * @return array<int, int>
     */
    private static function ahead(Explorer $explored, array $components, array $component): array
    {
        $ahead = [];
        foreach ($components as $index => $members) {
            $beyond = 0;
            $within = [];
            foreach ($members as $key) {
                foreach ($explored->edges[$key] ?? [] as $edge) {
                    if ($edge->to !== null && $component[$edge->to] === $index) {
                        $within += $edge->next->isTransfer ? [$edge->to => true] : [];
                    } elseif ($edge->to !== null) {
                        $beyond = max($beyond, $ahead[$component[$edge->to]] + ($edge->next->isTransfer ? 1 : 0));
                    }
                }
            }
            $ahead[$index] = (int) $beyond + count($within);
        }

        return $ahead;
    }

    private function look(State $start, int $room): void
    {
        $path = [];
        // Entering a state and leaving it again take turns on one stack: ways can be longer than a stack of calls is
        // deep.
        $open = [[$start->key(), $room]];
        while (($at = array_pop($open)) !== null) {
            [$key, $left] = $at;
            if ($left === null) {
                unset($path[$key]);

                continue;
            }
            if (isset($path[$key]) || isset($this->seen["{$left} {$key}"]) || count($this->seen) > self::MOST_STEPS) {
                continue;
            }
            $path[$key] = true;
            $this->seen["{$left} {$key}"] = true;
            $open[] = [$key, null];
            $ways = [];
            foreach ($this->explored->edges[$key] ?? [] as $edge) {
                $then = $left - ($edge->next->isTransfer ? 1 : 0);
                if ($edge->to !== null && $then < 0) {
                    $this->found[Outcome::Overrun->value . " {$edge->next->state?->object}"] = true;
                } elseif (
                    $edge->to !== null && ! isset($path[$edge->to]) && $this->ahead[$this->component[$edge->to]] > $then
                ) {
                    $ways[$edge->to] = [$edge->to, $then];
                }
            }
            // The longest last, so that it is taken first.
            $left = fn (array $way): int => $this->ahead[$this->component[$way[0]]] - $way[1];
            usort($ways, static fn (array $one, array $other): int => $left($one) <=> $left($other));
            array_push($open, ...$ways);
        }
    }
}
