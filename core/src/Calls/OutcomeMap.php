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
        $starts = array_values(array_filter($graph->starts(), static fn (State $state): bool => $state->place === Place::Number));
        $facts = [];
        $isComplete = true;
        foreach ($periods->classes as $valuation) {
            $graph->say($valuation);
            $explored = Explorer::explore($graph, $starts);
            $isComplete = $isComplete && $explored->isComplete;
            $byNumber = [];
            foreach ($starts as $start) {
                $byNumber[substr($start->object, strlen('number:'))] = Facts::of($explored, $start);
            }
            $facts[] = $byNumber;
        }

        return new self($periods, $facts, $isComplete);
    }
}
