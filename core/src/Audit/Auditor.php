<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Reference;

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
        $findings = [];
        foreach ($this->rules as $rule) {
            if ($rule->about()->holdsIn($inspection->book->tenant->region)) {
                foreach ($rule->check($inspection) as $finding) {
                    $findings[] = $finding;
                }
            }
        }
        $findings = self::withoutExplained($findings);
        usort($findings, Finding::compare(...));

        return $findings;
    }

    /**
     * One fault is one finding: that a call ends nowhere is not said again where a missing answer was.
     *
     * @param  list<Finding>  $findings
     * @return list<Finding>
     */
    private static function withoutExplained(array $findings): array
    {
        $explained = [];
        foreach ($findings as $finding) {
            foreach ($finding->about->explains as $rule) {
                foreach ($finding->objects as $object) {
                    $explained["{$rule} " . Reference::of($object)] = true;
                }
            }
        }

        return array_values(array_filter($findings, static fn (Finding $finding): bool => ! isset($explained["{$finding->about->id} " . Reference::of($finding->objects[0])])));
    }

    /** @return list<Finding> */
    public static function of(Book $book, int $now, ?Book $live = null): array
    {
        return self::whole()->audit(new Inspection($book, $now, $live));
    }
}
