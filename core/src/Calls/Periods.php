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
        $slots = array_keys($timelines);
        $count = max(1, count($slots));
        // Each change as one integer, instant and slot, so that one plain sort puts all in order.
        $changes = [];
        $states = [];
        foreach (array_values($timelines) as $slot => $timeline) {
            $states[] = $timeline->states;
            foreach ($timeline->from as $instant) {
                $changes[] = ($instant - $from) * $count + $slot;
            }
        }
        sort($changes);
        $changes[] = ($until - $from) * $count;
        $says = array_fill(0, count($slots), '');
        $next = array_fill(0, $count, 0);
        $known = [];
        $classes = [];
        $stretches = [];
        $begun = $from;
        foreach ($changes as $change) {
            $instant = $from + intdiv($change, $count);
            if ($instant !== $begun) {
                $class = $known[implode("\n", $says)] ??= count($classes);
                if ($class === count($classes)) {
                    $classes[] = array_combine($slots, $says);
                }
                $stretches[] = [$begun, $class];
                $begun = $instant;
            }
            if ($instant < $until) {
                $slot = $change % $count;
                $says[$slot] = $states[$slot][$next[$slot]++];
            }
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
