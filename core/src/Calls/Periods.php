<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Hours\ScheduleClock;
use Jaunty\Core\Hours\State as HoursState;
use Jaunty\Core\Hours\Timeline;
use Jaunty\Core\Hours\ZoneClock;

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
        $known = [];

        return self::overlay(self::timelines($book, $graph, $from, $seconds, $known), $from, $from + $seconds);
    }

    /**
     * Time cut for two books at once.
     *
     * @param  array{Book, Graph}  $one
     * @param  array{Book, Graph}  $other
     * @return array{self, list<array{array<string, string>, array<string, string>, array<string, string>}>} with what the schedules of each say, and of both, by class
     */
    public static function ofTwo(array $one, array $other, int $from, int $seconds): array
    {
        $timelines = [];
        $known = [];
        foreach ([$one, $other] as $side => [$book, $graph]) {
            foreach (self::timelines($book, $graph, $from, $seconds, $known) as $slot => $timeline) {
                $timelines[self::ofSide($side, $slot)] = $timeline;
            }
        }
        $periods = self::overlay($timelines, $from, $from + $seconds);
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

    /**
     * @param  array<string, Timeline>  $known  by content and zone: equal schedules are compiled once
     * @return array<string, Timeline> by slot
     */
    private static function timelines(Book $book, Graph $graph, int $from, int $seconds, array &$known): array
    {
        $timelines = [];
        foreach ($graph->slots() as $slot => [$schedule, $zone, $named]) {
            $content = serialize([$zone, $named, array_diff_key($schedule->toArray(), ['key' => '', 'name' => '']), array_map(static fn (Reference $calendar): ?array => $book->find($calendar)?->toArray(), $schedule->calendars)]);
            $timelines[$slot] = $known[$content] ??= ScheduleClock::of($schedule, $book, $zone)->timeline($from, $seconds)->map(static fn (string $state): string => HoursState::asNamed($state, $named));
        }

        foreach ($graph->dated() as $slot => [$number, $zone]) {
            $timelines[$slot] = self::life($number, $zone, $from, $seconds);
        }

        return $timelines;
    }

    /** What a number's dates say over time. */
    private static function life(Number $number, string $zone, int $from, int $seconds): Timeline
    {
        $begins = $number->from === null ? null : ZoneClock::of($zone)->instantOf(LocalDate::parse($number->from) * LocalDate::MINUTES);
        $ends = $number->until === null ? null : ZoneClock::of($zone)->instantOf((LocalDate::parse($number->until) + 1) * LocalDate::MINUTES);
        $instants = [$from, ...array_filter([$begins, $ends], static fn (?int $instant): bool => $instant !== null && $instant > $from && $instant < $from + $seconds)];
        sort($instants);

        return new Timeline($instants, array_map(static fn (int $instant): string => NumberRules::standing($number, $zone, $instant), $instants), $from + $seconds);
    }

    /** @param array<string, Timeline> $timelines */
    private static function overlay(array $timelines, int $from, int $until): self
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
        $classes = array_map(static fn (array $says): array => array_map(static fn (int $place): string => $says[$place], $places), array_values($sayings));

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
