<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls;

/**
 * Calls during which hours change. A call reads its hours once, so the model knows no such call; a switch that reads them
 * anew may, and what it could come to then is worth a warning.
 */
final class Boundary
{
    /**
     * Ends that are reached only by a call that arrives under one saying of the schedules and goes on, from any point, under the next.
     *
     * @param  array<string, string>  $before
     * @param  array<string, string>  $after
     * @return list<array{Outcome, string}>
     */
    public static function endsOnlyAcross(Graph $graph, State $start, array $before, array $after): array
    {
        $graph->say($before);
        $one = Explorer::explore($graph, [$start]);
        $graph->say($after);
        $other = Explorer::explore($graph, [$start]);
        $usual = array_map(self::key(...), [...$one->ends($start), ...$other->ends($start)]);
        $across = Explorer::explore($graph, array_values($one->states));
        $only = [];
        foreach ($one->states as $state) {
            foreach ($across->ends($state) as $end) {
                if (! in_array(self::key($end), $usual, true)) {
                    $only[self::key($end)] = $end;
                }
            }
        }

        return array_values($only);
    }

    /** @param array{Outcome, string} $end */
    private static function key(array $end): string
    {
        return "{$end[0]->value} {$end[1]}";
    }
}
