<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Hours\ScheduleClock;

/** The shortest test call that ends or rings otherwise in one book than in another: proof of a difference, to be tried by hand. */
final class TellingCall
{
    /**
     * @return ?array<string, mixed> a script as the tenant book writes it, tried in both books; null where somebody's state would have to change during the call
     */
    public static function of(Book $before, Book $after, Difference $difference, Contrast $contrast): ?array
    {
        $when = $difference->periods->when(...$contrast->classes);
        if ($when === []) {
            return null;
        }
        $at = $when[0][0];
        $to = explode(':', $contrast->called, 2)[1];
        foreach ([$before, $after] as $book) {
            $graph = new Graph($book, $at);
            $graph->say(array_map(static fn (array $slot): string => ScheduleClock::of($slot[0], $book, $slot[1])->at($at), $graph->slots()));
            $start = $graph->named(static fn (string $number): string => $number)[$contrast->called] ?? null;
            if ($start === null) {
                continue;
            }
            $explored = Explorer::explore($graph, [$start]);
            $calls = new TestCalls($book, $explored);
            foreach (array_keys(ShortestPaths::of($explored, $start)) as $end) {
                $script = $calls->shortest($start, $end, $to, $at);
                if ($script !== null && self::tells($before, $after, $script)) {
                    return $script;
                }
            }
        }

        return null;
    }

    /** @param array<string, mixed> $script */
    private static function tells(Book $before, Book $after, array $script): bool
    {
        try {
            [$was, $is] = array_map(static fn (Book $book): Trace => Trace::of($book, Script::read($script, $book)), [$before, $after]);
        } catch (UnusableScript) {
            // It calls or names somebody who is in one of the books only.
            return false;
        }
        $rung = static fn (Trace $trace): array => array_map(static fn (TraceStep $step): array => [$step->at, $step->object, $step->what], $trace->steps);

        return [$was->outcome, $was->target, $was->seconds, $rung($was)] !== [$is->outcome, $is->target, $is->seconds, $rung($is)];
    }
}
