<?php

declare(strict_types=1);

namespace Jaunty\CommandLine\Commands;

use Jaunty\CommandLine\Arguments;
use Jaunty\CommandLine\Command;
use Jaunty\CommandLine\Dates;
use Jaunty\CommandLine\Files;
use Jaunty\CommandLine\Report;
use Jaunty\Core\Calls\AllCalls\Facts;
use Jaunty\Core\Calls\Year\OutcomeMap;
use Jaunty\Core\Hours\ZoneClock;

/** Every end a call to each number can come to, period by period, over a year. */
final class MapCommand implements Command
{
    private const LOST = '/^(deadEnd|loop|overrun) /';

    public function usage(): string
    {
        return 'BOOK --from DATE';
    }

    public function about(): string
    {
        return 'every end calls to each number can come to, over a year, period by period; '
            . 'periods with the same ends are one';
    }

    public function options(): array
    {
        return ['from'];
    }

    public function run(Arguments $arguments): Report
    {
        $book = Files::book($arguments->file(0, 'a book'));
        $clock = ZoneClock::of($book->tenant->zone);
        $map = OutcomeMap::of($book, $clock->midnight(Dates::parse($arguments->option('from'))));
        $text = $map->isComplete
            ? ''
            : "incomplete: calls can go more ways than are followed; there may be more ends\n";
        $value = ['complete' => $map->isComplete, 'numbers' => []];
        $isLost = false;
        foreach (array_keys($map->facts[0] ?? []) as $number) {
            $text .= "{$number}\n";
            $groups = [];
            foreach ($map->facts as $class => $facts) {
                $groups[self::key($facts[$number])]['facts'] = $facts[$number];
                $groups[self::key($facts[$number])]['classes'][] = $class;
            }
            foreach (array_values($groups) as ['facts' => $facts, 'classes' => $classes]) {
                $seconds = 0;
                $first = PHP_INT_MAX;
                foreach ($classes as $class) {
                    foreach ($map->periods->when($class) as [$from, $to]) {
                        $seconds += $to - $from;
                        $first = min($first, $from);
                    }
                }
                $passive = ($facts->passive->value ?? 'loop') . " {$facts->passiveTarget}";
                $text .= sprintf(
                    "  %d h a year, first %s\n    nobody does anything: %s\n",
                    intdiv($seconds, 3600),
                    Dates::local($clock, $first),
                    $passive,
                )
                    . implode('', array_map(static fn (string $end): string => "    {$end}\n", $facts->ends));
                $value['numbers'][$number][] = [
                    'seconds' => $seconds, 'first' => Dates::local($clock, $first), 'passive' => $passive,
                    'ends' => $facts->ends,
                ];
                $isLost = $isLost || preg_grep(self::LOST, [...$facts->ends, $passive]) !== [];
            }
        }

        return new Report($text, $value, $isLost);
    }

    private static function key(Facts $facts): string
    {
        return implode("\n", [...$facts->ends, $facts->passive->value ?? 'loop', $facts->passiveTarget]);
    }
}
