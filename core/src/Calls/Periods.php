<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Hours\ScheduleClock;
use Jaunty\Core\Hours\State as HoursState;
use Jaunty\Core\Hours\Timeline;

/** Time cut into stretches in which every schedule says the same; stretches that say the same are one period class. */
final readonly class Periods
{
    /**
     * @param  list<array<string, string>>  $classes  what each schedule says, by slot
     * @param  list<array{int, int}>  $stretches  from (an instant) and class, ascending
     */
    private function __construct(public array $classes, public array $stretches, public int $until)
    {
    }

    /** @param int $seconds length of the horizon */
    public static function of(Book $book, Graph $graph, int $from, int $seconds): self
    {
        $timelines = [];
        foreach ($graph->slots() as $slot => [$schedule, $zone, $named]) {
            $timelines[$slot] = ScheduleClock::of($schedule, $book, $zone)->timeline($from, $seconds)->map(static fn (string $state): string => HoursState::asNamed($state, $named));
        }

        return self::overlay($timelines, $from, $from + $seconds);
    }

    /** @param array<string, Timeline> $timelines */
    private static function overlay(array $timelines, int $from, int $until): self
    {
        $changes = [];
        foreach ($timelines as $slot => $timeline) {
            foreach ($timeline->from as $index => $instant) {
                $changes[$instant][$slot] = $timeline->states[$index];
            }
        }
        ksort($changes);
        $says = [];
        $classes = [];
        $known = [];
        $stretches = [];
        foreach ($changes === [] ? [$from => []] : $changes as $instant => $changed) {
            $says = array_replace($says, $changed);
            $key = implode("\n", $says);
            if (! isset($known[$key])) {
                $known[$key] = count($classes);
                $classes[] = $says;
            }
            $stretches[] = [$instant, $known[$key]];
        }

        return new self($classes, $stretches, $until);
    }

    /** @return list<array{int, int}> when a class holds: from and to, exclusive */
    public function when(int $class): array
    {
        $when = [];
        foreach ($this->stretches as $index => [$from, $of]) {
            if ($of === $class) {
                $when[] = [$from, $this->stretches[$index + 1][0] ?? $this->until];
            }
        }

        return $when;
    }
}
