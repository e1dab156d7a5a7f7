<?php

declare(strict_types=1);

namespace Jaunty\Core\Numbering;

/**
 * Digit maps as one automaton that reads each digit once: the places of all alternatives at once are its states (subset
 * construction; Rabin and Scott, IBM Journal of Research and Development 3, 1959), and states that cannot be told apart are
 * one. What is said of digits here (what two maps have in common, what one lets through and another does not) is exact, and
 * comes with the shortest digits that show it.
 */
final readonly class DigitAutomaton
{
    private const START = 0;

    /**
     * @param  list<array<int, int>>  $next  by state, then symbol, the state; none where digits fit no more
     * @param  list<bool>  $fits  by state, whether digits that end there fit, the timer having run out where it is waited for
     * @param  list<bool>  $atOnce  whether they fit without the timer
     */
    private function __construct(private array $next, private array $fits, private array $atOnce)
    {
    }

    /** What any of the maps lets through. */
    public static function of(DigitMap ...$maps): self
    {
        $alternatives = array_merge(...array_map(static fn (DigitMap $map): array => $map->alternatives(), array_values($maps)));
        $start = self::closed($alternatives, array_map(static fn (int $which): array => [$which, 0], array_keys($alternatives)));
        $known = [self::name($start) => self::START];
        $sets = [$start];
        $next = [];
        for ($state = 0; $state < count($sets); $state++) {
            $leads = [];
            for ($symbol = 0; $symbol < strlen(DigitMap::SYMBOLS); $symbol++) {
                $to = [];
                foreach ($sets[$state] as [$which, $place]) {
                    $element = $alternatives[$which][$place] ?? null;
                    if ($element !== null && ($element[0] >> $symbol & 1) === 1) {
                        $to[] = [$which, $element[1] ? $place : $place + 1];
                    }
                }
                if ($to !== []) {
                    $set = self::closed($alternatives, $to);
                    $name = self::name($set);
                    if (! isset($known[$name])) {
                        $known[$name] = count($sets);
                        $sets[] = $set;
                    }
                    $leads[$symbol] = $known[$name];
                }
            }
            $next[] = $leads;
        }
        $atOnce = array_map(static fn (array $set): bool => self::isEnd($alternatives, $set), $sets);

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
        return $this->search([$other], true);
    }

    /** @return ?string the shortest digits that this one lets through and none of the others does; null where they take them all */
    public function beyond(self ...$others): ?string
    {
        return $this->search(array_values($others), false);
    }

    /** @return ?string the shortest digits that fit */
    public function shortest(): ?string
    {
        return $this->search([], false);
    }

    /** @return ?string the shortest digits that can never be dialled to their end, as their beginning fits already and is collected at once */
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

    /** @return array{int, ?int} how many digits fit at least and at most; null for no end; nothing fitting counts as none */
    public function lengths(): array
    {
        $least = strlen($this->shortest() ?? '');
        // A path longer than there are states goes round, and can go round again.
        $ends = $this->fits;
        $most = $ends[self::START] ? 0 : null;
        $at = [self::START => true];
        for ($length = 1; $at !== []; $length++) {
            if ($length > count($this->next)) {
                return [$least, null];
            }
            $to = [];
            foreach (array_keys($at) as $state) {
                foreach ($this->dialled($state) as $next) {
                    if ($this->leadsOn($next)) {
                        $to[$next] = true;
                    }
                    $most = $ends[$next] ? $length : $most;
                }
            }
            $at = $to;
        }

        return [$least, $most ?? 0];
    }

    /** How many states it has; digits that fit no more are none. */
    public function size(): int
    {
        return count($this->next);
    }

    /** Whether any digits after a state still fit. */
    private function leadsOn(int $from): bool
    {
        $seen = [$from => true];
        $open = [$from];
        while (($state = array_pop($open)) !== null) {
            foreach ($this->dialled($state) as $to) {
                if ($this->fits[$to]) {
                    return true;
                }
                if (! isset($seen[$to])) {
                    $seen[$to] = true;
                    $open[] = $to;
                }
            }
        }

        return false;
    }

    /** @return array<int, int> where digits lead from a state, the timer left out */
    private function dialled(int $state): array
    {
        return array_filter($this->next[$state], static fn (int $symbol): bool => $symbol !== DigitMap::TIMER, ARRAY_FILTER_USE_KEY);
    }

    /**
     * All read the same digits, shortest first; whoever they fit no more drops out, so that many others cost little.
     *
     * @param  list<self>  $others
     * @param  bool  $isTheirs  whether one of the others has to let the digits through, or none may
     */
    private function search(array $others, bool $isTheirs): ?string
    {
        $seen = [];
        $open = [[self::START, array_fill_keys(array_keys($others), self::START), '']];
        for ($done = 0; $done < count($open); $done++) {
            [$mine, $theirs, $digits] = $open[$done];
            $fitsThem = false;
            foreach ($theirs as $which => $state) {
                $fitsThem = $fitsThem || $others[$which]->fits[$state];
            }
            if ($this->fits[$mine] && $fitsThem === $isTheirs) {
                return $digits;
            }
            foreach ($this->dialled($mine) as $symbol => $to) {
                $with = [];
                foreach ($theirs as $which => $state) {
                    if (isset($others[$which]->next[$state][$symbol])) {
                        $with[$which] = $others[$which]->next[$state][$symbol];
                    }
                }
                $name = "{$to} " . json_encode($with, JSON_THROW_ON_ERROR);
                if (! isset($seen[$name]) && ! ($isTheirs && $with === [])) {
                    $seen[$name] = true;
                    $open[] = [$to, $with, $digits . DigitMap::SYMBOLS[$symbol]];
                }
            }
        }

        return null;
    }

    /**
     * @param  list<list<array{int, bool}>>  $alternatives
     * @param  list<array{int, int}>  $places
     * @return list<array{int, int}> with the places behind elements that may be left out, each once, sorted
     */
    private static function closed(array $alternatives, array $places): array
    {
        $all = [];
        foreach ($places as [$which, $place]) {
            $all["{$which} {$place}"] = [$which, $place];
            while ($alternatives[$which][$place][1] ?? false) {
                $place++;
                $all["{$which} {$place}"] = [$which, $place];
            }
        }
        $all = array_values($all);
        sort($all);

        return $all;
    }

    /** @param list<array{int, int}> $set */
    private static function name(array $set): string
    {
        return implode(',', array_map(static fn (array $at): string => "{$at[0]} {$at[1]}", $set));
    }

    /**
     * @param  list<list<array{int, bool}>>  $alternatives
     * @param  list<array{int, int}>  $set
     */
    private static function isEnd(array $alternatives, array $set): bool
    {
        foreach ($set as [$which, $place]) {
            if ($place === count($alternatives[$which])) {
                return true;
            }
        }

        return false;
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
        $class = array_map(static fn (bool $one, bool $other): int => ($one ? 2 : 0) + ($other ? 1 : 0), $fits, $atOnce);
        for ($count = 0; $count !== count(array_unique($class));) {
            $count = count(array_unique($class));
            $names = [];
            $finer = [];
            foreach ($next as $state => $to) {
                $sign = $class[$state] . ':' . implode(',', array_map(static fn (int $symbol, int $into): string => "{$symbol}>{$class[$into]}", array_keys($to), $to));
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
