<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls;

use Jaunty\Core\Book\Book;

/** Calls to every number over a year, with every way they can go kept to be asked: an outcome map one can look into. */
final class Survey
{
    private readonly Graph $graph;

    /** @var list<Run> */
    public readonly array $runs;

    public readonly Periods $periods;

    private function __construct(public readonly Book $book, int $from, int $seconds)
    {
        $this->graph = new Graph($book, $from);
        $timelines = new Timelines($from, $seconds);
        $this->periods = $timelines->overlaid($timelines->of($book, $this->graph));
        $this->runs = Uncollected::during($this->explore(...));
    }

    /** @param int $from beginning of the horizon, seconds since 1970; `seconds` is its length */
    public static function of(Book $book, int $from, int $seconds = OutcomeMap::YEAR_SECONDS): self
    {
        return new self($book, $from, $seconds);
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
        return (new TestCalls($this->book, $run->explored))->shortest($run->start, $end, $run->number, $this->firstInstant($run));
    }

    /** @return list<Run> */
    private function explore(): array
    {
        /** @var Remembered<Explorer> $known */
        $known = new Remembered();
        $runs = [];
        foreach ($this->graph->numbers() as $start) {
            $number = substr($start->object, strlen('number:'));
            $found = [];
            foreach ($this->periods->classes as $class => $valuation) {
                $this->graph->say($valuation);
                $explored = ($known->find($start->object, $valuation) ?? $this->exploreOnce($known, $start))[1];
                $found[spl_object_id($explored)] ??= [$explored, []];
                $found[spl_object_id($explored)][1][] = $class;
            }
            foreach ($found as [$explored, $classes]) {
                $runs[] = new Run($number, $start, $explored, Facts::of($explored, $start), $classes);
            }
        }

        return $runs;
    }

    /**
     * @param  Remembered<Explorer>  $known
     * @return array{array<string, string>, Explorer}
     */
    private function exploreOnce(Remembered $known, State $start): array
    {
        $explored = Explorer::explore($this->graph, [$start]);

        return $known->keep($start->object, $explored->asked, $explored);
    }
}
