<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Year;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Calls\AllCalls\Explorer;
use Jaunty\Core\Calls\AllCalls\Facts;
use Jaunty\Core\Calls\AllCalls\Graph;
use Jaunty\Core\Calls\AllCalls\Remembered;
use Jaunty\Core\Calls\AllCalls\Uncollected;
use Jaunty\Core\Calls\Law\State;

/**
 * An outcome map that outlives an edit: the outlook of the book as changed keeps whatever the change does not touch,
 * and says the same as one made from nothing (held by a law in the tests).
 */
final class Outlook
{
    private readonly Graph $graph;

    /** @var Remembered<array{Facts, bool}> */
    private Remembered $known;

    /** @var array<string, array<string, true>> what of the book was looked at for calls to a number */
    private array $read = [];

    /** @var array<string, \Jaunty\Core\Hours\Timeline> */
    private array $cuts = [];

    private ?Periods $periods = null;

    private function __construct(
        private readonly Book $book,
        private readonly int $from,
        private readonly Timelines $timelines,
        ?self $earlier,
    ) {
        $this->graph = new Graph($book, $from, $earlier?->graph);
        $this->known = new Remembered();
        if ($earlier === null) {
            return;
        }
        [$this->cuts, $this->periods] = [$earlier->cuts, $earlier->periods];
        foreach ($earlier->read as $number => $read) {
            if (! $this->graph->unlike->touches($read)) {
                $this->read[$number] = $read;
                $this->known->takeOver($number, $earlier->known);
            }
        }
    }

    /** @param int $from beginning of the horizon, seconds since 1970; `seconds` is its length */
    public static function of(Book $book, int $from, int $seconds = OutcomeMap::YEAR_SECONDS): self
    {
        return new self($book, $from, new Timelines($from, $seconds), null);
    }

    public function changedTo(Book $book): self
    {
        return new self($book, $this->from, $this->timelines, $this);
    }

    public function map(): OutcomeMap
    {
        return Uncollected::during(fn (): OutcomeMap => new OutcomeMap(...$this->compute()));
    }

    /** @return array{Periods, list<array<string, Facts>>, bool} */
    private function compute(): array
    {
        $cuts = $this->timelines->of($this->book, $this->graph);
        if ($this->periods === null || $cuts !== $this->cuts) {
            [$this->cuts, $this->periods] = [$cuts, $this->timelines->overlaid($cuts)];
        }
        $starts = $this->graph->numbers();
        $facts = [];
        $isComplete = true;
        foreach ($this->periods->classes as $valuation) {
            $this->graph->say($valuation);
            $byNumber = [];
            foreach ($starts as $start) {
                [
                    ,
                    [$byNumber[substr($start->object, strlen('number:'))], $whole],
                ] = $this->known->find($start->object, $valuation) ?? $this->explore($start);
                $isComplete = $isComplete && $whole;
            }
            $facts[] = $byNumber;
        }

        return [$this->periods, $facts, $isComplete];
    }

    /** @return array{array<string, string>, array{Facts, bool}} */
    private function explore(State $start): array
    {
        $explored = Explorer::explore($this->graph, [$start]);
        $this->read[$start->object] = ($this->read[$start->object] ?? []) + $explored->read;

        return $this->known->keep($start->object, $explored->asked, [
            Facts::of($explored, $start),
            $explored->isComplete,
        ]);
    }
}
