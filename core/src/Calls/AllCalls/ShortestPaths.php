<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\AllCalls;

use Jaunty\Core\Calls\Law\State;

/**
 * The shortest way to each end a call can come to: fewest things that somebody has to do, then least seconds, then
 * names.
 */
final class ShortestPaths
{
    /**
     * @param  bool  $fewestDeeds  whether what somebody has to do counts before seconds; else seconds alone
     * @return array<string, non-empty-list<array{State, Edge}>> by end, as `outcome target`, in the order of their
     *     length
     */
    public static function of(Explorer $explored, State $start, bool $fewestDeeds = true): array
    {
        $ends = [];
        $done = [];
        /** @var array<string, array{string, State, Edge}> $before the best known last step to a state */
        $before = [];
        $best = [$start->key() => [0, 0, '']];
        /**
         * @var \SplPriorityQueue<array{int, int, string}, array{string, int, int, ?array{string, State, Edge}}> $open
         */
        $open = new \SplPriorityQueue();
        $open->insert([$start->key(), 0, 0, null], [0, 0, '']);
        while (! $open->isEmpty()) {
            /** @var array{string, int, int, ?array{string, State, Edge}} $shortest */
            $shortest = $open->extract();
            [$key, $deeds, $seconds, $last] = $shortest;
            if (isset($done[$key]) || isset($ends[$key])) {
                continue;
            }
            if ($last !== null && $last[2]->next->outcome !== null) {
                $ends[$key] = self::back($before, $last);

                continue;
            }
            $done[$key] = true;
            if ($last !== null) {
                $before[$key] = $last;
            }
            foreach ($explored->edges[$key] ?? [] as $edge) {
                $to = $edge->to ?? "{$edge->next->outcome?->value} {$edge->next->target}";
                $cost = [
                    $deeds + ($edge->choice->isPassive || ! $fewestDeeds ? 0 : 1),
                    $seconds + $edge->choice->least,
                    "{$edge->choice->event->kind->value} {$edge->choice->event->detail}",
                ];
                if (isset($done[$to]) || isset($ends[$to]) || (isset($best[$to]) && $best[$to] <= $cost)) {
                    continue;
                }
                $best[$to] = $cost;
                // The queue gives the greatest first; names stand in for themselves only between equals.
                $open->insert(
                    [$to, $cost[0], $cost[1], [$key, $explored->states[$key], $edge]],
                    [-$cost[0], -$cost[1], self::descending($cost[2])],
                );
            }
        }

        return $ends;
    }

    /**
     * @param  array<string, array{string, State, Edge}>  $before
     * @param  array{string, State, Edge}  $last
     * @return non-empty-list<array{State, Edge}>
     */
    private static function back(array $before, array $last): array
    {
        $path = [[$last[1], $last[2]]];
        for ($at = $before[$last[0]] ?? null; $at !== null; $at = $before[$at[0]] ?? null) {
            array_unshift($path, [$at[1], $at[2]]);
        }

        return $path;
    }

    /** A text that sorts the other way round. */
    private static function descending(string $text): string
    {
        return strtr($text, array_combine(array_map(chr(...), range(32, 126)), array_map(chr(...), range(126, 32))));
    }
}
