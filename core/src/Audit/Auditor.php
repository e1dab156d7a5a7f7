<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Book\Book;

/** Runs rules over a book: a draft, a proposed change set applied, the book itself, live, or an imported file alike. */
final readonly class Auditor
{
    /** @param list<Rule> $rules */
    public function __construct(private array $rules)
    {
    }

    public static function whole(): self
    {
        return new self(RuleBook::all());
    }

    /** The rules of one area of their ids. */
    public static function ofArea(string $area): self
    {
        return new self(array_values(array_filter(RuleBook::all(), static fn (Rule $rule): bool => $rule->about()->area() === $area)));
    }

    /** @return list<Finding> heaviest first */
    public function audit(Inspection $inspection): array
    {
        return $this->standing($inspection)->findings;
    }

    /** The same, to be gone on with after an edit. */
    public function standing(Inspection $inspection): StandingAudit
    {
        return StandingAudit::of($this->rules, $inspection);
    }

    /** @return list<Finding> */
    public static function of(Book $book, int $now, ?Book $live = null): array
    {
        return self::whole()->audit(new Inspection($book, $now, $live));
    }
}
