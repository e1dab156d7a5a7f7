<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Year;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Calls\AllCalls\Graph;
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

    /**
     * Time cut for two books at once.
     *
     * @param  array{Book, Graph}  $one
     * @param  array{Book, Graph}  $other
     * @return array{self, list<array{array<string, string>, array<string, string>, array<string, string>}>} with what
     *     the schedules of each say, and of both, by class
     */
    public static function ofTwo(array $one, array $other, Timelines $horizon): array
    {
        $timelines = [];
        foreach ([$one, $other] as $side => $of) {
            foreach ($horizon->of(...$of) as $slot => $timeline) {
                $timelines[self::ofSide($side, $slot)] = $timeline;
            }
        }
        $periods = $horizon->overlaid($timelines);
        $valuations = [];
        foreach ($periods->classes as $both) {
            $sides = [[], []];
            foreach ($both as $slot => $state) {
                $side = str_starts_with($slot, self::ofSide(0, '')) ? 0 : 1;
                $sides[$side][substr($slot, strlen(self::ofSide($side, '')))] = $state;
            }
            $valuations[] = [$sides[0], $sides[1], $both];
        }

        return [$periods, $valuations];
    }

    /** Names a slot of the first book (0) or of the second (1). */
    public static function ofSide(int $side, string $slot): string
    {
        return ['before ', 'after '][$side] . $slot;
    }

    /** @param array<string, Timeline> $timelines by slot */
    public static function overlay(array $timelines, int $from, int $until): self
    {
        $distinct = [];
        $places = [];
        foreach ($timelines as $slot => $timeline) {
            $place = array_search($timeline, $distinct, true);
            if ($place === false) {
                $place = count($distinct);
                $distinct[] = $timeline;
            }
            $places[$slot] = $place;
        }
        $silence = array_fill(0, count($distinct), '');
        $sayings = [];
        $numbers = [];
        // A year has thousands of changes and few sayings: what comes after a saying by a step is worked out once.
        $after = [];
        $now = -1;
        $stretches = [];
        foreach (self::steps($distinct, $from) as $instant => $step) {
            if (! isset($after[$now][$step])) {
                $says = self::stepped($sayings[$now] ?? $silence, $step);
                $after[$now][$step] = $numbers[implode("\n", $says)] ??= count($sayings);
                $sayings[$after[$now][$step]] = $says;
            }
            $now = $after[$now][$step];
            $stretches[] = [$instant, $now];
        }
        $classes = array_map(
            static fn (array $says): array => array_map(static fn (int $place): string => $says[$place], $places),
            array_values($sayings),
        );

        return new self($classes, $stretches, $until);
    }

    /**
     * @param  list<Timeline>  $timelines
     * @return non-empty-array<int, string> what changes, a line for each timeline that does, by instant, ascending
     */
    private static function steps(array $timelines, int $from): array
    {
        $steps = [$from => ''];
        foreach ($timelines as $place => $timeline) {
            $lines = [];
            foreach ($timeline->from as $index => $instant) {
                $state = $timeline->states[$index];
                $steps[$instant] = ($steps[$instant] ?? '') . ($lines[$state] ??= "{$place} {$state}\n");
            }
        }
        ksort($steps);

        return $steps;
    }

    /**
     * @param  list<string>  $says
     * @return list<string>
     */
    private static function stepped(array $says, string $step): array
    {
        foreach (explode("\n", $step, -1) as $line) {
            [$place, $state] = explode(' ', $line, 2);
            $says[(int) $place] = $state;
        }

        return array_values($says);
    }

    /** @return list<array{int, int}> when any of some classes holds: from and to, exclusive */
    public function when(int ...$classes): array
    {
        $when = [];
        foreach ($this->stretches as $index => [$from, $of]) {
            if (in_array($of, $classes, true)) {
                $when[] = [$from, $this->stretches[$index + 1][0] ?? $this->until];
            }
        }

        return $when;
    }
}
