<?php

declare(strict_types=1);

namespace Jaunty\CommandLine\Commands;

use Jaunty\CommandLine\Arguments;
use Jaunty\CommandLine\Command;
use Jaunty\CommandLine\Files;
use Jaunty\CommandLine\Report;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Calls\Explorer;
use Jaunty\Core\Calls\Outcome;
use Jaunty\Core\Calls\State;

/** Every end a call to each number can come to, in one state of the schedules. */
final class MapCommand implements Command
{
    public function usage(): string
    {
        return 'BOOK [--hours open|closed|holiday]';
    }

    public function about(): string
    {
        return 'every end calls to each number can come to, and what becomes of a caller who does nothing and whom nobody answers';
    }

    public function options(): array
    {
        return ['hours'];
    }

    public function run(Arguments $arguments): Report
    {
        $book = Files::book($arguments->file(0, 'a book'));
        $state = $arguments->option('hours') ?? 'open';
        $explored = Explorer::explore($book, static fn (Schedule $schedule, string $zone): string => $state, time());
        $text = $explored->isComplete ? '' : 'incomplete: more than ' . Explorer::MOST_STATES . " states\n";
        $value = ['hours' => $state, 'complete' => $explored->isComplete, 'numbers' => []];
        $isLost = false;
        foreach ($book->ofKind(Kind::Number) as $number) {
            $start = State::number($number->key());
            $ends = array_map(static fn (array $end): array => ['outcome' => $end[0]->value, 'target' => $end[1]], $explored->ends($start));
            usort($ends, static fn (array $a, array $b): int => [$a['outcome'], $a['target']] <=> [$b['outcome'], $b['target']]);
            [, $outcome, $target] = $explored->passiveRun($start);
            $passive = ['outcome' => ($outcome ?? Outcome::Loop)->value, 'target' => $target];
            $value['numbers'][] = ['number' => $number->key(), 'passive' => $passive, 'ends' => $ends];
            $isLost = $isLost || array_intersect(array_column([...$ends, $passive], 'outcome'), ['deadEnd', 'loop', 'overrun']) !== [];
            $text .= "{$number->key()} {$number->label()}\n    nobody does anything: {$passive['outcome']} {$passive['target']}\n"
                . implode('', array_map(static fn (array $end): string => "    {$end['outcome']} {$end['target']}\n", $ends));
        }

        return new Report($text, $value, $isLost);
    }
}
