<?php

declare(strict_types=1);

namespace Jaunty\Core\Numbering;

/**
 * Digit maps as one automaton that reads each digit once: the places of all alternatives at once are its states (subset
 * construction; Rabin and Scott, IBM Journal of Research and Development 3, 1959), and states that cannot be told apart
 * are one. What is said of digits here (what two maps have in common, what one lets through and another does not) is
 * exact, and comes with the shortest digits that show it.
 */
final readonly class DigitAutomaton
{
    private const START = 0;

    /** Places looked at while the states are found; the route tables of whole countries take a few thousand. */
    private const MOST_WORK = 200_000;

    /** Pairs of states that one search goes through. */
    private const MOST_PAIRS = 50_000;

    /**
     * Beyond this many states, those that cannot be told apart are left as they are: finding them would cost more than
     * it saves.
     */
    private const MOST_MERGED = 400;

    /**
     * @param  list<array<int, int>>  $next  by state, then symbol, the state; none where digits fit no more
     * @param  list<bool>  $fits  by state, whether digits that end there fit, the timer having run out where it is
     *     waited for
     * @param  list<bool>  $atOnce  whether they fit without the timer
     */
    private function __construct(private array $next, private array $fits, private array $atOnce)
    {
    }

    /**
     * What any of the maps lets through.
     *
     * @throws TooIntricate where that would take more work than is allowed: the states can be as many as there are sets
     *     of places
     */
    public static function of(DigitMap ...$maps): self
    {
        [$symbols, $closed, $ends] = self::places(
            array_merge(...array_map(static fn (DigitMap $map): array => $map->alternatives(), array_values($maps))),
        );
        $start = self::sorted($closed[-1]);
        $known = [implode(',', $start) => self::START];
        $sets = [$start];
        $next = [];
        $work = 0;
        for ($state = 0; $state < count($sets); $state++) {
            $to = [];
            foreach ($sets[$state] as $place) {
                foreach ($symbols[$place] as $symbol => $into) {
                    $to[$symbol] = ($to[$symbol] ?? []) + $closed[$into];
                    $work += count($closed[$into]);
                }
            }
            if ($work > self::MOST_WORK) {
                throw TooIntricate::maps();
            }
            ksort($to);
            $leads = [];
            foreach ($to as $symbol => $places) {
                $set = self::sorted($places);
                $name = implode(',', $set);
                if (! isset($known[$name])) {
                    $known[$name] = count($sets);
                    $sets[] = $set;
                }
                $leads[$symbol] = $known[$name];
            }
            $next[] = $leads;
        }
        $atOnce = array_map(
            static fn (array $set): bool => array_filter(
                $set,
                static fn (int $place): bool => isset($ends[$place]),
            ) !== [],
            $sets,
        );

        return self::smallest($next, self::withTimer($next, $atOnce), $atOnce);
    }

    /** Digits dialled one after another, `T` being the timer's end; what comes after a match is not looked at. */
    public function dial(string $digits): Dialling
    {
        $state = self::START;
        foreach ($digits === '' ? [] : str_split(strtoupper($digits)) as $digit) {
            $symbol = strpos(DigitMap::SYMBOLS, $digit);
            $to = $symbol === false ? null : $this->next[$state][$symbol] ?? null;
            if ($to === null) {
                return Dialling::Mismatch;
            }
            if ($this->atOnce[$to]) {
                return Dialling::Match;
            }
            $state = $to;
        }

        return Dialling::Partial;
    }

    /** Whether digits fit as a whole, their end being known: as numbers of calls that are led on are compared. */
    public function fits(string $digits): bool
    {
        $state = self::START;
        foreach ($digits === '' ? [] : str_split(strtoupper($digits)) as $digit) {
            $symbol = strpos(DigitMap::SYMBOLS, $digit);
            $state = $symbol === false ? null : $this->next[$state][$symbol] ?? null;
            if ($state === null) {
                return false;
            }
        }

        return $this->fits[$state];
    }

    /** Without digits whose beginning fits and is collected at once: what somebody who dials can come to. */
    public function asDialled(): self
    {
        $next = $this->next;
        foreach ($this->atOnce as $state => $isAtOnce) {
            if ($isAtOnce) {
                $next[$state] = [];
            }
        }

        return new self($next, $this->fits, $this->atOnce);
    }

    /** @return ?string the shortest digits that both let through, of equal ones the first; null where there are none */
    public function common(self $other): ?string
    {
        return self::search([$this, $other], []);
    }

    /**
     * @return ?string the shortest digits that this one lets through and none of the others does; null where they take
     *     them all
     */
    public function beyond(self ...$others): ?string
    {
        return self::search([$this], array_values($others));
    }

    /**
     * @return ?string the shortest digits that both let through and none of the others does; null where there are none
     */
    public function within(self $other, self ...$others): ?string
    {
        return self::search([$this, $other], array_values($others));
    }

    /** @return ?string the shortest digits that fit */
    public function shortest(): ?string
    {
        return self::search([$this], []);
    }

    /**
     * @return ?string the shortest digits that can never be dialled to their end, as their beginning fits already and
     *     is collected at once
     */
    public function cutShort(): ?string
    {
        // Digits after a match lead nowhere for who dials, and on for who knows their end.
        $seen = [];
        $open = [[self::START, '', false]];
        for ($done = 0; $done < count($open); $done++) {
            [$state, $digits, $isCollected] = $open[$done];
            foreach ($this->dialled($state) as $symbol => $to) {
                $longer = $digits . DigitMap::SYMBOLS[$symbol];
                if ($isCollected && $this->fits[$to]) {
                    return $longer;
                }
                $was = $isCollected || $this->atOnce[$to];
                if (! isset($seen["{$to} " . (int) $was])) {
                    $seen["{$to} " . (int) $was] = true;
                    $open[] = [$to, $longer, $was];
                }
            }
        }

        return null;
    }

    /**
     * @return array{int, ?int} how many digits fit at least and at most; null for no end; nothing fitting counts as
     *     none
     */
    public function lengths(): array
    {
        $least = strlen($this->shortest() ?? '');
        $before = [];
        $open = [];
        foreach (array_keys($this->next) as $state) {
            foreach ($this->dialled($state) as $to) {
                $before[$to][] = $state;
            }
            if ($this->fits[$state]) {
                $open[] = $state;
            }
        }
        // From the ends backward: how many digits can follow, state by state, once that is known of all that come
        // after.
        $useful = [];
        while (($state = array_pop($open)) !== null) {
            if (! isset($useful[$state])) {
                $useful[$state] = true;
                array_push($open, ...$before[$state] ?? []);
            }
        }
        $after = [];
        $longest = [];
        foreach (array_keys($useful) as $state) {
            $after[$state] = count(
                array_filter($this->dialled($state), static fn (int $to): bool => isset($useful[$to])),
            );
            $longest[$state] = 0;
            if ($after[$state] === 0) {
                $open[] = $state;
            }
        }
        $done = 0;
        while (($state = array_pop($open)) !== null) {
            $done++;
            foreach ($before[$state] ?? [] as $from) {
                if (isset($useful[$from])) {
                    $longest[$from] = max($longest[$from], $longest[$state] + 1);
                    if (--$after[$from] === 0) {
                        $open[] = $from;
                    }
                }
            }
        }

        // What is left over goes round, and can go round again.
        return [$least, $done < count($useful) ? null : $longest[self::START] ?? 0];
    }

    /** How many states it has; digits that fit no more are none. */
    public function size(): int
    {
        return count($this->next);
    }

    /** @return array<int, int> where digits lead from a state, the timer left out */
    private function dialled(int $state): array
    {
        return array_filter(
            $this->next[$state],
            static fn (int $symbol): bool => $symbol !== DigitMap::TIMER,
            ARRAY_FILTER_USE_KEY,
        );
    }

    /**
     * All read the same digits, shortest first; whoever they fit no more drops out, so that many others cost little.
     *
     * @param  non-empty-list<self>  $all  who have to let them through
     * @param  list<self>  $none  who may not
     *
     * @throws TooIntricate
     */
    private static function search(array $all, array $none): ?string
    {
        $seen = [];
        $open = [[array_fill_keys(array_keys($all), self::START), array_fill_keys(array_keys($none), self::START), '']];
        for ($done = 0; $done < count($open); $done++) {
            if ($done > self::MOST_PAIRS) {
                throw TooIntricate::maps();
            }
            [$ours, $theirs, $digits] = $open[$done];
            if (self::fitAll($all, $ours) && ! self::fitAny($none, $theirs)) {
                return $digits;
            }
            foreach ($all[0]->dialled($ours[0]) as $symbol => $ignored) {
                $with = self::moved($all, $ours, $symbol);
                if (count($with) < count($all)) {
                    continue;
                }
                $without = self::moved($none, $theirs, $symbol);
                $name = implode(' ', $with) . ' ' . json_encode($without, JSON_THROW_ON_ERROR);
                if (! isset($seen[$name])) {
                    $seen[$name] = true;
                    $open[] = [$with, $without, $digits . DigitMap::SYMBOLS[$symbol]];
                }
            }
        }

        return null;
    }

    /**
     * @param  list<self>  $automata
     * @param  array<int, int>  $states
     * @return array<int, int> of those that the symbol leads on
     */
    private static function moved(array $automata, array $states, int $symbol): array
    {
        $to = [];
        foreach ($states as $which => $state) {
            if (isset($automata[$which]->next[$state][$symbol])) {
                $to[$which] = $automata[$which]->next[$state][$symbol];
            }
        }

        return $to;
    }

    /**
     * @param  list<self>  $automata
     * @param  array<int, int>  $states
     */
    private static function fitAll(array $automata, array $states): bool
    {
        foreach ($states as $which => $state) {
            if (! $automata[$which]->fits[$state]) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  list<self>  $automata
     * @param  array<int, int>  $states
     */
    private static function fitAny(array $automata, array $states): bool
    {
        foreach ($states as $which => $state) {
            if ($automata[$which]->fits[$state]) {
                return true;
            }
        }

        return false;
    }

    /**
     * The places of all alternatives, numbered through, each alternative with one behind its last element.
     *
     * @param  list<list<array{int, bool}>>  $alternatives
     * @return array{list<array<int, int>>, array<int, array<int, true>>, array<int, true>} by place: where each symbol
     *     leads; each place with those behind elements that may be left out (-1: all beginnings); and the places behind
     *     a last element
     */
    private static function places(array $alternatives): array
    {
        $symbols = [];
        /** @var array<int, array<int, true>> $closed */
        $closed = [-1 => []];
        $ends = [];
        foreach ($alternatives as $elements) {
            $first = count($symbols);
            foreach ($elements as $element) {
                $place = count($symbols);
                $symbols[] = [];
                for ($symbol = 0; $symbol < strlen(DigitMap::SYMBOLS); $symbol++) {
                    if (($element[0] >> $symbol & 1) === 1) {
                        $symbols[$place][$symbol] = $element[1] ? $place : $place + 1;
                    }
                }
            }
            $ends[count($symbols)] = true;
            $symbols[] = [];
            for ($place = count($symbols) - 1; $place >= $first; $place--) {
                $mayBeLeftOut = $elements[$place - $first][1] ?? false;
                $closed[$place] = [$place => true] + ($mayBeLeftOut ? $closed[$place + 1] : []);
            }
            $closed[-1] += $closed[$first];
        }

        return [$symbols, $closed, $ends];
    }

    /**
     * @param  array<int, true>  $places
     * @return list<int>
     */
    private static function sorted(array $places): array
    {
        $sorted = array_keys($places);
        sort($sorted);

        return $sorted;
    }

    /**
     * @param  list<array<int, int>>  $next
     * @param  list<bool>  $atOnce
     * @return list<bool>
     */
    private static function withTimer(array $next, array $atOnce): array
    {
        $fits = [];
        foreach (array_keys($next) as $state) {
            $seen = [];
            $at = $state;
            while ($at !== null && ! isset($seen[$at]) && ! $atOnce[$at]) {
                $seen[$at] = true;
                $at = $next[$at][DigitMap::TIMER] ?? null;
            }
            $fits[] = $at !== null && $atOnce[$at];
        }

        return $fits;
    }

    /**
     * States that nothing tells apart become one (after Moore, Gedanken-experiments on sequential machines, 1956).
     *
     * @param  list<array<int, int>>  $next
     * @param  list<bool>  $fits
     * @param  list<bool>  $atOnce
     */
    private static function smallest(array $next, array $fits, array $atOnce): self
    {
        if (count($next) > self::MOST_MERGED) {
            return new self($next, $fits, $atOnce);
        }
        $class = array_map(
            static fn (bool $one, bool $other): int => ($one ? 2 : 0) + ($other ? 1 : 0),
            $fits,
            $atOnce,
        );
        for ($count = 0; $count !== count(array_unique($class));) {
            $count = count(array_unique($class));
            $names = [];
            $finer = [];
            foreach ($next as $state => $to) {
                $sign = $class[$state] . ':' . implode(',', array_map(
                    static fn (int $symbol, int $into): string => "{$symbol}>{$class[$into]}",
                    array_keys($to),
                    $to,
                ));
                $finer[] = $names[$sign] ??= count($names);
            }
            $class = $finer;
        }
        // The first state is the first of its class, so the start stays the start.
        $mergedNext = [];
        $mergedFits = [];
        $mergedAtOnce = [];
        foreach ($class as $state => $into) {
            $mergedNext[$into] ??= array_map(static fn (int $to): int => $class[$to], $next[$state]);
            $mergedFits[$into] ??= $fits[$state];
            $mergedAtOnce[$into] ??= $atOnce[$state];
        }

        return new self(array_values($mergedNext), array_values($mergedFits), array_values($mergedAtOnce));
    }
}
