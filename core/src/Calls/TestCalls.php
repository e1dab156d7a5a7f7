<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls;

use Jaunty\Core\Book\Book;

/**
 * The test call that comes to an end with the fewest deeds: of the paths there in order of length, the first on which nobody
 * has to be in two states at once.
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
     * @return ?array<string, mixed> a script as the tenant book writes it; null where somebody's state has to change during the call
     */
    public function shortest(State $start, string $end, string $to, int $at): ?array
    {
        /** @var \SplPriorityQueue<array{int, int, int}, array{string, int, int, ?array{State, Edge, mixed}}> $open */
        $open = new \SplPriorityQueue();
        $open->insert([$start->key(), 0, 0, null], [0, 0, 0]);
        $ways = [];
        for ($step = 0; ! $open->isEmpty() && $step < self::MOST_STEPS; $step++) {
            /** @var array{string, int, int, ?array{State, Edge, mixed}} $shortest */
            $shortest = $open->extract();
            [$key, $deeds, $seconds, $path] = $shortest;
            $ways[$key] = ($ways[$key] ?? 0) + 1;
            if ($ways[$key] > self::MOST_WAYS) {
                continue;
            }
            if ($key === $end && $path !== null) {
                $script = Witness::script($this->book, self::unrolled($path), $to, $at);
                if ($script !== null) {
                    return $script;
                }

                continue;
            }
            foreach ($this->explored->edges[$key] ?? [] as $edge) {
                $next = $edge->to ?? "{$edge->next->outcome?->value} {$edge->next->target}";
                // Ends other than the one that is looked for lead nowhere.
                if ($edge->to !== null || $next === $end) {
                    $cost = [$deeds + ($edge->choice->isPassive ? 0 : 1), $seconds + $edge->choice->least];
                    $open->insert([$next, $cost[0], $cost[1], [$this->explored->states[$key], $edge, $path]], [-$cost[0], -$cost[1], -$step]);
                }
            }
        }

        return null;
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
