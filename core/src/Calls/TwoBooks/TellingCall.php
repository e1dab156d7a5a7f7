<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\TwoBooks;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Calls\AllCalls\Crossing;
use Jaunty\Core\Calls\AllCalls\Edge;
use Jaunty\Core\Calls\AllCalls\Explorer;
use Jaunty\Core\Calls\AllCalls\Graph;
use Jaunty\Core\Calls\AllCalls\ShortestPaths;
use Jaunty\Core\Calls\AllCalls\TestCalls;
use Jaunty\Core\Calls\AllCalls\Witness;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\Law\State;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use Jaunty\Core\Calls\OneCall\TraceStep;
use Jaunty\Core\Calls\OneCall\UnusableScript;
use Jaunty\Core\Hours\ScheduleClock;

/**
 * The shortest test call that ends or rings otherwise in one book than in another: proof of a difference, to be tried
 * by hand.
 */
final class TellingCall
{
    private const MOST_STEPS = 200;

    /** Things that can happen where the books part, the passive first. */
    private const MOST_EVENTS = 8;

    /**
     * @return ?array<string, mixed> a script as the tenant book writes it, tried in both books; null where somebody's
     *     state would have to change during the call
     */
    public static function of(Book $before, Book $after, Difference $difference, Contrast $contrast): ?array
    {
        $when = $difference->periods->when(...$contrast->classes);
        if ($when === []) {
            return null;
        }
        $at = $when[0][0];
        $to = explode(':', $contrast->called, 2)[1];
        $names = [CommonNames::own(), CommonNames::of($before, $after)];
        $open = [];
        foreach ([$before, $after] as $side => $book) {
            $encounters = Encounters::of($book, $names[$side], $at);
            $encounters->graph->say(array_map(
                static fn (array $slot): string => ScheduleClock::of($slot[0], $book, $slot[1])->at($at),
                $encounters->graph->slots(),
            ));
            $start = $encounters->graph->named($names[$side]->name(...))[$contrast->called] ?? null;
            if ($start === null) {
                continue;
            }
            foreach (self::along($encounters, $start, $contrast->script) as [$path, $end]) {
                $script = Witness::script($book, $path, $to, $at, $end);
                if ($script !== null && self::tells($before, $after, $contrast->called, $script)) {
                    return $script;
                }
            }
            $open[] = [$book, $encounters->graph, $start];
        }
        // No call goes just this way and stays steady; another may tell the two apart all the same.
        foreach ($open as [$book, $graph, $start]) {
            $explored = Explorer::explore($graph, [$start]);
            $calls = new TestCalls($book, $explored);
            foreach (array_keys(ShortestPaths::of($explored, $start)) as $end) {
                $script = $calls->shortest($start, $end, $to, $at);
                if ($script !== null && self::tells($before, $after, $contrast->called, $script)) {
                    return $script;
                }
            }
        }

        return null;
    }

    /**
     * The ways a call goes that comes to where the books part: what happens until then, one thing that can happen
     * there, and then nothing.
     *
     * @param  list<string>  $script  what happens until then
     * @return iterable<array{non-empty-list<array{State, Edge}>, ?array{Outcome, list<string>}}> with the outcome, of
     *     one that goes round
     */
    private static function along(Encounters $encounters, State $state, array $script): iterable
    {
        $path = [];
        for ($step = 0; $step < self::MOST_STEPS; $step++) {
            $edges = $encounters->graph->edges($state)->edges;
            $edge = Crossing::onlyWay($edges);
            if ($edge === null) {
                $label = array_shift($script);
                if ($label === null) {
                    break;
                }
                // What can happen in one book only went on as doing nothing does in the other.
                $edge = $encounters->events($state, $edges)[$label] ?? self::passive($edges);
            }
            if ($edge === null) {
                return;
            }
            $path[] = [$state, $edge];
            if ($edge->next->state === null) {
                yield [$path, null];

                return;
            }
            $state = $edge->next->state;
        }
        foreach (
            array_slice(
                array_values($encounters->events($state, $encounters->graph->edges($state)->edges)),
                0,
                self::MOST_EVENTS,
            ) as $first
        ) {
            yield self::toTheEnd($encounters->graph, $path, $state, $first);
        }
    }

    /**
     * @param  list<array{State, Edge}>  $path
     * @return array{non-empty-list<array{State, Edge}>, ?array{Outcome, list<string>}}
     */
    private static function toTheEnd(Graph $graph, array $path, State $state, Edge $edge): array
    {
        $path[] = [$state, $edge];
        $passed = [$state->key() => true];
        for ($at = $edge->next->state; $at !== null; $at = $next->next->state) {
            $next = self::passive($graph->edges($at)->edges);
            if (isset($passed[$at->key()]) || $next === null) {
                return [$path, [Outcome::Loop, array_values(
                    array_unique(array_map(static fn (array $each): string => $each[0]->object, $path)),
                )]];
            }
            $passed[$at->key()] = true;
            $path[] = [$at, $next];
        }

        return [$path, null];
    }

    /** @param list<Edge> $edges */
    private static function passive(array $edges): ?Edge
    {
        foreach ($edges as $edge) {
            if ($edge->choice->isPassive) {
                return $edge;
            }
        }

        return null;
    }

    /** @param array<string, mixed> $script */
    private static function tells(Book $before, Book $after, string $called, array $script): bool
    {
        try {
            [$was, $is] = array_map(
                static fn (Book $book): Trace => Trace::of($book, Script::read($script, $book)),
                [$before, $after],
            );
        } catch (UnusableScript) {
            // It names somebody who is in one of the books only; where that is the called number, nothing tells more.
            $isThere = static fn (Book $book): bool => $book->find(Reference::parse($called)) !== null;

            return $isThere($before) !== $isThere($after);
        }
        $rung = static fn (Trace $trace): array => array_map(
            static fn (TraceStep $step): array => [$step->at, $step->object, $step->what],
            $trace->steps,
        );

        return [$was->outcome, $was->target, $was->seconds, $rung($was)] !== [
            $is->outcome, $is->target, $is->seconds, $rung($is),
        ];
    }
}
