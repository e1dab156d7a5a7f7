<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\TwoBooks;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Calls\AllCalls\Explorer;
use Jaunty\Core\Calls\AllCalls\Graph;
use Jaunty\Core\Calls\AllCalls\Overruns;
use Jaunty\Core\Calls\AllCalls\Remembered;
use Jaunty\Core\Calls\AllCalls\Uncollected;
use Jaunty\Core\Calls\Law\Next;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\Law\State;
use Jaunty\Core\Calls\Year\OutcomeMap;
use Jaunty\Core\Calls\Year\Periods;
use Jaunty\Core\Calls\Year\Timelines;

/**
 * What callers notice when one book takes the place of another (design 03 section 8): calls to each number and
 * extension run in both at once, breadth first, nothing done first. Finding nothing means that the two behave alike,
 * whatever their fields say. Callers told apart by other digit maps count as a difference even where the maps take the
 * same numbers.
 */
final readonly class Difference
{
    public const MOST_PAIRS = 50_000;

    /**
     * @param  list<Contrast>  $contrasts
     * @param  list<string>  $newlyReached  people and outside numbers that calls from outside can reach in the second
     *     book only
     * @param  list<string>  $noLongerReached  in the first only
     */
    private function __construct(
        public Periods $periods,
        public array $contrasts,
        public array $newlyReached,
        public array $noLongerReached,
        public bool $isComplete,
    ) {
    }

    public static function between(Book $before, Book $after, int $from, int $seconds = OutcomeMap::YEAR_SECONDS): self
    {
        return Uncollected::during(static fn (): self => self::found($before, $after, $from, $seconds));
    }

    private static function found(Book $before, Book $after, int $from, int $seconds): self
    {
        $one = Encounters::of($before, CommonNames::own(), $from);
        $names = CommonNames::of($before, $after);
        $other = Encounters::of($after, $names, $from, $one->graph);
        [$periods, $valuations] = Periods::ofTwo(
            [$before, $one->graph],
            [$after, $other->graph],
            new Timelines($from, $seconds),
        );
        $meetings = new Meetings($one, $other);
        /** @var Remembered<Comparison> $known */
        $known = new Remembered();
        $found = [];
        $reached = [[], []];
        $isComplete = true;
        foreach (self::starts($one->graph, $other->graph, $names) as $called => $starts) {
            foreach ($valuations as $class => $says) {
                $comparison = (
                    $known->find($called, $says[2])
                    ?? self::compare($called, $known, [$one, $other], $meetings, $starts, $says)
                )[1];
                $isComplete = $isComplete && $comparison->isComplete;
                foreach ($comparison->contrasts as $key => $contrast) {
                    $found["{$called} {$key}"] ??= [$contrast, []];
                    $found["{$called} {$key}"][1][] = $class;
                }
                if (str_starts_with($called, 'number:')) {
                    $reached = [$reached[0] + $comparison->reachedBefore, $reached[1] + $comparison->reachedAfter];
                }
            }
        }

        return new self(
            $periods,
            array_map(static fn (array $each): Contrast => $each[0]->in($each[1]), array_values($found)),
            array_keys(array_diff_key($reached[1], $reached[0])),
            array_keys(array_diff_key($reached[0], $reached[1])),
            $isComplete,
        );
    }

    public function isEmpty(): bool
    {
        return $this->contrasts === [];
    }

    /** @return array<string, array{?State, ?State}> calls to the same number or extension, by name */
    private static function starts(Graph $one, Graph $other, CommonNames $names): array
    {
        $starts = [];
        foreach (
            [
                $one->named(static fn (string $number): string => $number),
                $other->named($names->name(...)),
            ] as $side => $named
        ) {
            foreach ($named as $called => $state) {
                $starts[$called] ??= [null, null];
                $starts[$called][$side] = $state;
            }
        }

        return $starts;
    }

    /**
     * @param  Remembered<Comparison>  $known
     * @param  array{Encounters, Encounters}  $sides
     * @param  array{?State, ?State}  $starts
     * @param  array{array<string, string>, array<string, string>, array<string, string>}  $says
     * @return array{array<string, string>, Comparison}
     */
    private static function compare(
        string $called,
        Remembered $known,
        array $sides,
        Meetings $meetings,
        array $starts,
        array $says,
    ): array {
        $found = self::met($called, $meetings, $starts, $says);
        $isHandedOn = $sides[0]->transferLimit() !== $sides[1]->transferLimit();
        // Each transfer leads to another place: where there are few, no call is handed on too often.
        if (
            ! $isHandedOn
            && $found['isComplete']
            && $found['contrasts'] === []
            && $found['places'] <= $sides[0]->transferLimit()
        ) {
            return $known->keep($called, $found['asked'], new Comparison([], $found['before'], $found['after'], true));
        }
        $explored = [];
        foreach ($sides as $side => $encounters) {
            $encounters->graph->say($says[$side]);
            $explored[$side] = $starts[$side] === null ? null : Explorer::explore($encounters->graph, [$starts[$side]]);
            foreach ($explored[$side]->asked ?? [] as $slot => $said) {
                $found['asked'][Periods::ofSide($side, $slot)] = $said;
            }
        }
        if (($explored[0]->endsTooFar ?? false) || ($explored[1]->endsTooFar ?? false)) {
            $limited = array_map(
                static fn (Encounters $encounters, ?Explorer $within): Encounters => $within === null
                    ? $encounters
                    : $encounters->within($within),
                $sides,
                $explored,
            );
            $found = ['asked' => $found['asked']]
                + self::met($called, new Meetings($limited[0], $limited[1]), $starts, $says);
        }
        if ($isHandedOn) {
            $found['contrasts'] += self::handedOn($called, $sides, $starts, $explored);
        }
        $people = array_map(
            static fn (Encounters $encounters, ?Explorer $within): array => $within === null
                ? []
                : array_fill_keys($encounters->answering($within), true),
            $sides,
            $explored,
        );
        $isComplete = $found['isComplete'] && ($explored[0]->isComplete ?? true) && ($explored[1]->isComplete ?? true);

        return $known->keep(
            $called,
            $found['asked'],
            new Comparison($found['contrasts'], $people[0], $people[1], $isComplete),
        );
    }

    /**
     * Both books' calls side by side, breadth first.
     *
     * @param  array{?State, ?State}  $starts
     * @param  array{array<string, string>, array<string, string>, array<string, string>}  $says
     * @return array{asked: array<string, string>, contrasts: array<string, Contrast>, before: array<string, true>,
     *     after: array<string, true>, isComplete: bool, places: int}
     */
    private static function met(string $called, Meetings $meetings, array $starts, array $says): array
    {
        $contrasts = [];
        $asked = [];
        $before = [];
        $after = [];
        $seen = [];
        $open = [[$called, ...$starts, []]];
        $done = 0;
        $places = 0;
        while ($done < count($open) && $done < self::MOST_PAIRS && ! $meetings->isSpent()) {
            [$pair, $one, $other, $script] = $open[$done++];
            [$read, $meeting] = $meetings->of($pair, $one, $other, $says);
            $asked += $read;
            $places += $meeting->places;
            foreach ($meeting->before as $person) {
                $before[$person] = true;
            }
            foreach ($meeting->after as $person) {
                $after[$person] = true;
            }
            foreach ($meeting->differs as $key => [$was, $is, $ofDegree]) {
                $contrasts[$key] ??= new Contrast($called, $script, $was, $is, $ofDegree, []);
            }
            foreach ($meeting->next as $label => [$next, $ofOne, $ofOther]) {
                if (! isset($seen[$next])) {
                    $seen[$next] = true;
                    $open[] = [$next, $ofOne, $ofOther, [...$script, $label]];
                }
            }
        }

        return [
            'asked' => $asked, 'contrasts' => $contrasts, 'before' => $before, 'after' => $after,
            'isComplete' => $done === count($open), 'places' => $places,
        ];
    }

    /**
     * What only one of two limits of transfers lets through, on whatever way.
     *
     * @param  array{Encounters, Encounters}  $sides
     * @param  array{?State, ?State}  $starts
     * @param  array<int, ?Explorer>  $explored
     * @return array<string, Contrast>
     */
    private static function handedOn(string $called, array $sides, array $starts, array $explored): array
    {
        $cut = [];
        foreach ($sides as $side => $encounters) {
            $cut[$side] = $starts[$side] === null || ($explored[$side] ?? null) === null
                ? []
                : Overruns::of($explored[$side], $starts[$side]);
            sort($cut[$side]);
        }
        if ($cut[0] === $cut[1]) {
            return [];
        }
        $told = array_map(static function (Encounters $encounters, array $ends): Encounter {
            $target = $ends === [] ? null : explode(' ', $ends[0], 2)[1];

            return $target === null
                ? new Encounter('handedOn', '', [], [], [], '', 0, [])
                : $encounters->end(Next::end(Outcome::Overrun, $target));
        }, $sides, $cut);

        return [
            'handed on '
            . implode(' ', [...$cut[0], '>', ...$cut[1]]) => new Contrast($called, [], $told[0], $told[1], null, []),
        ];
    }
}
