<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\AllCalls;

/**
 * Strongly connected components of a directed graph, after Tarjan (SIAM Journal on Computing 1, 1972), without
 * recursion: a chain of calls may be longer than a stack is deep.
 *
 * @internal
 */
final class Components
{
    /**
     * @param  array<array-key, list<string>>  $next  by node; a node that is only led to has no edges
     * @return list<non-empty-list<string>> each component before those that lead to it
     */
    public static function of(array $next): array
    {
        $index = [];
        $low = [];
        $onStack = [];
        $stack = [];
        $components = [];
        foreach (array_keys($next) as $root) {
            if (isset($index[$root])) {
                continue;
            }
            $work = [[(string) $root, 0]];
            while (($frame = array_pop($work)) !== null) {
                [$node, $edge] = $frame;
                if ($edge === 0) {
                    $index[$node] = $low[$node] = count($index);
                    $stack[] = $node;
                    $onStack[$node] = true;
                }
                for ($all = $next[$node] ?? []; ($to = $all[$edge] ?? null) !== null; $edge++) {
                    if (! isset($index[$to])) {
                        $work[] = [$node, $edge + 1];
                        $work[] = [$to, 0];

                        continue 2;
                    }
                    if (isset($onStack[$to]) && $index[$to] < $low[$node]) {
                        $low[$node] = $index[$to];
                    }
                }
                if ($low[$node] === $index[$node]) {
                    $component = [];
                    do {
                        $member = (string) array_pop($stack);
                        unset($onStack[$member]);
                        $component[] = $member;
                    } while ($member !== $node);
                    $components[] = $component;
                }
                $parent = $work[count($work) - 1][0] ?? null;
                if ($parent !== null) {
                    $low[$parent] = min($low[$parent], $low[$node]);
                }
            }
        }

        return $components;
    }
}
