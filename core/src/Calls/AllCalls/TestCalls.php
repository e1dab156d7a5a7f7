<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\AllCalls;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Calls\Law\Loop;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\Law\State;
use Jaunty\Core\Calls\OneCall\Trace;

/**
 * The test call that comes to an end with the fewest deeds: of the paths there in order of length, the first on which
 * nobody has to be in two states at once.
 */
final readonly class TestCalls
{
    /** How often a state may be gone through again before a search gives up on more ways through it. */
    private const MOST_WAYS = 12;

    private const MOST_STEPS = 20_000;

    public function __construct(private Book $book, private Explorer $explored)
    {
    }

    /**
     * @param  string  $end  `outcome target`, as ShortestPaths names it
     * @param  string  $to  the number, or the extension dialled inside
     * @param  int  $at  seconds since 1970
     * @return ?array<string, mixed> a script as the tenant book writes it; null where somebody's state has to change
     *     during the call
     */
    public function shortest(State $start, string $end, string $to, int $at): ?array
    {
        $round = $this->roundOf($end);
        $isOverrun = str_starts_with($end, Outcome::Overrun->value . ' ');
        /**
         * @var \SplPriorityQueue<array{int, int, int}, array{string, int, int, int, ?array{State, Edge, mixed}}> $open
         */
        $open = new \SplPriorityQueue();
        $open->insert([$start->key(), 0, 0, Explorer::followed($start), null], [0, 0, 0]);
        $ways = [];
        for ($step = 0; ! $open->isEmpty() && $step < self::MOST_STEPS; $step++) {
            /** @var array{string, int, int, int, ?array{State, Edge, mixed}} $shortest */
            $shortest = $open->extract();
            [$key, $deeds, $seconds, $followed, $path] = $shortest;
            $ways[$key] = ($ways[$key] ?? 0) + 1;
            if ($ways[$key] > self::MOST_WAYS) {
                continue;
            }
            $isTooFar = $followed > $this->explored->mostTransfers;
            if ($path !== null && ($key === $end || $isTooFar && $isOverrun)) {
                $script = Witness::script(
                    $this->book,
                    self::unrolled($path),
                    $to,
                    $at,
                    $isTooFar ? [Outcome::Overrun, [substr($end, strlen(Outcome::Overrun->value) + 1)]] : null,
                );
                if ($script !== null) {
                    return $script;
                }
            }
            if ($path !== null && $round !== null && $this->goesRound($path, $key, $round[0])) {
                $script = Witness::script($this->book, self::unrolled($path), $to, $at, [Outcome::Loop, $round[1]]);
                if ($script !== null) {
                    return $script;
                }
            }
            foreach ($isTooFar ? [] : $this->explored->edges[$key] ?? [] as $edge) {
                $next = $edge->to ?? "{$edge->next->outcome?->value} {$edge->next->target}";
                // Ends other than the one that is looked for lead nowhere.
                if ($edge->to !== null || $next === $end) {
                    $cost = [$deeds + ($edge->choice->isPassive ? 0 : 1), $seconds + $edge->choice->least];
                    $open->insert(
                        [
                            $next, $cost[0], $cost[1], $followed + ($edge->next->isTransfer ? 1 : 0),
                            [$this->explored->states[$key], $edge, $path],
                        ],
                        [-$cost[0], -$cost[1], -$step],
                    );
                }
            }
        }

        return null;
    }

    /**
     * @return ?array{array<string, true>, non-empty-list<string>} the states of a loop that is looked for, and whom
     *     Trace may name for it; null for another end
     */
    private function roundOf(string $end): ?array
    {
        foreach (str_starts_with($end, Outcome::Loop->value . ' ') ? Rounds::of($this->explored) : [] as $loop) {
            if (in_array(substr($end, strlen(Outcome::Loop->value) + 1), $loop->objects, true)) {
                return [array_fill_keys($loop->states, true), array_values(array_unique(
                    array_map(fn (string $key): string => $this->explored->states[$key]->object, $loop->states),
                ))];
            }
        }

        return null;
    }

    /**
     * Whether a path has come back to where it was without a key.
     *
     * @param  array{State, Edge, mixed}  $path
     * @param  array<string, true>  $round
     */
    private function goesRound(array $path, string $key, array $round): bool
    {
        while (isset($round[$key]) && ! $path[1]->choice->needsKey) {
            if ($path[0]->key() === $key) {
                return true;
            }
            if (! is_array($path[2])) {
                break;
            }
            /** @var array{State, Edge, mixed} $path */
            $path = $path[2];
        }

        return false;
    }

    /**
     * @param  array{State, Edge, mixed}  $path  the last step, and the path before
     * @return non-empty-list<array{State, Edge}>
     */
    private static function unrolled(array $path): array
    {
        $steps = [[$path[0], $path[1]]];
        while (is_array($path[2])) {
            /** @var array{State, Edge, mixed} $path */
            $path = $path[2];
            array_unshift($steps, [$path[0], $path[1]]);
        }

        return $steps;
    }
}
