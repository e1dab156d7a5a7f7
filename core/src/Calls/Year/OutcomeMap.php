<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Year;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Calls\AllCalls\Facts;

/** What callers to each number get, period class by period class, over a year. */
final readonly class OutcomeMap
{
    public const YEAR_SECONDS = 365 * 86_400;

    /**
     * @param  list<array<string, Facts>>  $facts  by period class, then number
     * @param  bool  $isComplete  whether no exploration reached its bound
     */
    public function __construct(public Periods $periods, public array $facts, public bool $isComplete)
    {
    }

    public static function of(Book $book, int $from, int $seconds = self::YEAR_SECONDS): self
    {
        return Outlook::of($book, $from, $seconds)->map();
    }
}
