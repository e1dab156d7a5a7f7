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

    /** The rules that compare a book with what was read from the switch. */
    public static function ofDrift(): self
    {
        return new self(
            array_values(array_filter(RuleBook::all(), static fn (Rule $rule): bool => $rule->about()->looksAtLive)),
        );
    }

    /** All the others. */
    public static function ofBooks(): self
    {
        return new self(
            array_values(array_filter(RuleBook::all(), static fn (Rule $rule): bool => ! $rule->about()->looksAtLive)),
        );
    }

    /** @return list<string> of its rules */
    public function ids(): array
    {
        return array_map(static fn (Rule $rule): string => $rule->about()->id, $this->rules);
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
