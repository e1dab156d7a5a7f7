<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls;

use Jaunty\Core\Book\Book;

/** What callers to each number get, period class by period class, over a year. */
final readonly class OutcomeMap
{
    public const YEAR_SECONDS = 365 * 86_400;

    /**
     * @param  list<array<string, Facts>>  $facts  by period class, then number
     * @param  bool  $isComplete  whether no exploration reached its bound
     */
    private function __construct(public Periods $periods, public array $facts, public bool $isComplete)
    {
    }

    public static function of(Book $book, int $from, int $seconds = self::YEAR_SECONDS): self
    {
        $graph = new Graph($book, $from);
        $periods = Periods::of($book, $graph, $from, $seconds);
        $starts = $graph->numbers();
        /** @var Remembered<array{Facts, bool}> $known */
        $known = new Remembered();
        $facts = [];
        $isComplete = true;
        foreach ($periods->classes as $valuation) {
            $graph->say($valuation);
            $byNumber = [];
            foreach ($starts as $start) {
                [, [$byNumber[substr($start->object, strlen('number:'))], $whole]] = $known->find($start->object, $valuation) ?? self::explore($graph, $start, $known);
                $isComplete = $isComplete && $whole;
            }
            $facts[] = $byNumber;
        }

        return new self($periods, $facts, $isComplete);
    }

    /**
     * @param  Remembered<array{Facts, bool}>  $known
     * @return array{array<string, string>, array{Facts, bool}}
     */
    private static function explore(Graph $graph, State $start, Remembered $known): array
    {
        $explored = Explorer::explore($graph, [$start]);

        return $known->keep($start->object, $explored->asked, [Facts::of($explored, $start), $explored->isComplete]);
    }
}
