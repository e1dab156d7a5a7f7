<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Year;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Calls\AllCalls\Explorer;
use Jaunty\Core\Calls\AllCalls\Facts;
use Jaunty\Core\Calls\AllCalls\Graph;
use Jaunty\Core\Calls\AllCalls\Remembered;
use Jaunty\Core\Calls\AllCalls\TestCalls;
use Jaunty\Core\Calls\AllCalls\Uncollected;
use Jaunty\Core\Calls\Law\State;

/** Calls to every number over a year, with every way they can go kept to be asked: an outcome map one can look into. */
final class Survey
{
    private readonly Graph $graph;

    /** @var list<Run> */
    public readonly array $runs;

    public readonly Periods $periods;

    /** Whether calls go as they did before the edit, at every instant. */
    public readonly bool $isAsBefore;

    /** @var Remembered<array{Explorer, Facts}> */
    private readonly Remembered $known;

    /** @var array<string, array<string, true>> what of the book was looked at for calls to a number */
    private array $read = [];

    /** @var array<string, \Jaunty\Core\Hours\Timeline> */
    private readonly array $cuts;

    /** @var \WeakMap<Explorer, array<string, mixed>> what was worked out of ways, by what it is */
    private readonly \WeakMap $workedOut;

    private function __construct(
        public readonly Book $book,
        private readonly int $from,
        private readonly Timelines $timelines,
        ?self $earlier,
    ) {
        $this->graph = new Graph($book, $from, $earlier?->graph);
        $this->known = new Remembered();
        $this->workedOut = $earlier === null ? new \WeakMap() : $earlier->workedOut;
        $this->cuts = $timelines->of($book, $this->graph);
        $isSameTime = $earlier !== null && $this->cuts === $earlier->cuts;
        $this->periods = $isSameTime ? $earlier->periods : $timelines->overlaid($this->cuts);
        foreach ($earlier->read ?? [] as $number => $read) {
            if ($earlier !== null && ! $this->graph->unlike->touches($read)) {
                $this->read[$number] = $read;
                $this->known->takeOver($number, $earlier->known);
            }
        }
        $kept = array_keys($this->read);
        $this->runs = Uncollected::during($this->explore(...));
        $numbers = array_map(static fn (State $start): string => $start->object, $this->graph->numbers());
        $this->isAsBefore = $isSameTime && $kept === $numbers && $kept === array_keys($earlier->read);
    }

    /** @param int $from beginning of the horizon, seconds since 1970; `seconds` is its length */
    public static function of(Book $book, int $from, int $seconds = OutcomeMap::YEAR_SECONDS): self
    {
        return new self($book, $from, new Timelines($from, $seconds), null);
    }

    /** The same of an edited book; what the edit does not touch is kept. */
    public function changedTo(Book $book): self
    {
        return new self($book, $this->from, $this->timelines, $this);
    }

    /**
     * Something that follows from the ways of a run alone, worked out once for as long as they stay the same.
     *
     * @template T
     *
     * @param  string  $name  of what it is
     * @param  callable(Explorer): T  $work
     * @return T
     */
    public function once(Run $run, string $name, callable $work): mixed
    {
        $known = $this->workedOut[$run->explored] ?? [];
        if (! array_key_exists($name, $known)) {
            $known[$name] = $work($run->explored);
            $this->workedOut[$run->explored] = $known;
        }
        /** @var T $result */
        $result = $known[$name];

        return $result;
    }

    /** @return list<Run> of one number */
    public function runsOf(string $number): array
    {
        return array_values(array_filter($this->runs, static fn (Run $run): bool => $run->number === $number));
    }

    /** The run that holds for a number at an instant of the horizon; null for a number that is not in the book. */
    public function runAt(string $number, int $instant): ?Run
    {
        $class = null;
        foreach ($this->periods->stretches as [$from, $of]) {
            if ($from <= $instant) {
                $class = $of;
            }
        }
        foreach ($this->runsOf($number) as $run) {
            if (in_array($class, $run->classes, true)) {
                return $run;
            }
        }

        return null;
    }

    /** The first instant at which a run holds. */
    public function firstInstant(Run $run): int
    {
        return $this->periods->when(...$run->classes)[0][0] ?? throw new \LogicException('a run that never holds');
    }

    /**
     * The test call that comes to an end with the fewest deeds, at the first instant it can.
     *
     * @param  string  $end  `outcome target`
     * @return ?array<string, mixed> a script as the tenant book writes it
     */
    public function shortestCall(Run $run, string $end): ?array
    {
        return (
            new TestCalls($this->book, $run->explored)
        )->shortest($run->start, $end, $run->number, $this->firstInstant($run));
    }

    /** @return list<Run> */
    private function explore(): array
    {
        $runs = [];
        foreach ($this->graph->numbers() as $start) {
            $number = substr($start->object, strlen('number:'));
            $found = [];
            foreach ($this->periods->classes as $class => $valuation) {
                $this->graph->say($valuation);
                [$explored, $facts] = ($this->known->find($start->object, $valuation) ?? $this->exploreOnce($start))[1];
                $found[spl_object_id($explored)] ??= [$explored, $facts, []];
                $found[spl_object_id($explored)][2][] = $class;
            }
            foreach ($found as [$explored, $facts, $classes]) {
                $runs[] = new Run($number, $start, $explored, $facts, $classes);
            }
        }

        return $runs;
    }

    /** @return array{array<string, string>, array{Explorer, Facts}} */
    private function exploreOnce(State $start): array
    {
        $explored = Explorer::explore($this->graph, [$start]);
        $this->read[$start->object] = ($this->read[$start->object] ?? []) + $explored->read;

        return $this->known->keep($start->object, $explored->asked, [$explored, Facts::of($explored, $start)]);
    }
}
