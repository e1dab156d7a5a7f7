<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls;

use Jaunty\Core\Book\Book;

/**
 * What callers notice when one book takes the place of another (design 03 section 8): calls to each number and extension run
 * in both at once, breadth first, nothing done first. Finding nothing means that the two behave alike, whatever their fields say.
 * Callers told apart by other digit maps count as a difference even where the maps take the same numbers.
 */
final readonly class Difference
{
    public const MOST_PAIRS = 50_000;

    /**
     * @param  list<Contrast>  $contrasts
     * @param  list<string>  $newlyReached  people and outside numbers that calls from outside can reach in the second book only
     * @param  list<string>  $noLongerReached  in the first only
     */
    private function __construct(public Periods $periods, public array $contrasts, public array $newlyReached, public array $noLongerReached, public bool $isComplete)
    {
    }

    public static function between(Book $before, Book $after, int $from, int $seconds = OutcomeMap::YEAR_SECONDS): self
    {
        return Uncollected::during(static fn (): self => self::found($before, $after, $from, $seconds));
    }

    private static function found(Book $before, Book $after, int $from, int $seconds): self
    {
        $one = new Encounters($before, CommonNames::own(), $from);
        $names = CommonNames::of($before, $after);
        $other = new Encounters($after, $names, $from, $one->graph);
        [$periods, $valuations] = Periods::ofTwo([$before, $one->graph], [$after, $other->graph], new Timelines($from, $seconds));
        $meetings = new Meetings($one, $other);
        /** @var Remembered<Comparison> $known */
        $known = new Remembered();
        $found = [];
        $reached = [[], []];
        $isComplete = true;
        foreach (self::starts($one->graph, $other->graph, $names) as $called => $starts) {
            foreach ($valuations as $class => $says) {
                $comparison = ($known->find($called, $says[2]) ?? self::compare($called, $known, $meetings, $starts, $says))[1];
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
        foreach ([$one->named(static fn (string $number): string => $number), $other->named($names->name(...))] as $side => $named) {
            foreach ($named as $called => $state) {
                $starts[$called] ??= [null, null];
                $starts[$called][$side] = $state;
            }
        }

        return $starts;
    }

    /**
     * @param  Remembered<Comparison>  $known
     * @param  array{?State, ?State}  $starts
     * @param  array{array<string, string>, array<string, string>, array<string, string>}  $says
     * @return array{array<string, string>, Comparison}
     */
    private static function compare(string $called, Remembered $known, Meetings $meetings, array $starts, array $says): array
    {
        $contrasts = [];
        $asked = [];
        $before = [];
        $after = [];
        $seen = [];
        $open = [[$called, ...$starts, []]];
        $done = 0;
        while ($done < count($open) && $done < self::MOST_PAIRS) {
            [$pair, $one, $other, $script] = $open[$done++];
            [$read, $meeting] = $meetings->of($pair, $one, $other, $says);
            $asked += $read;
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

        return $known->keep($called, $asked, new Comparison($contrasts, $before, $after, $done === count($open)));
    }
}
