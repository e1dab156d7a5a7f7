<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Audit\Rules\Audit\CouldNotLook;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Reads;
use Jaunty\Core\Book\Reference;

/**
 * An audit that outlives an edit: of the book as changed, only rules that read what the edit touched run again, and the
 * findings are those of an audit from nothing (held by a law in the tests). What a rule reads is noted while it runs.
 */
final readonly class StandingAudit
{
    /** @var list<Finding> heaviest first */
    public array $findings;

    /** @param list<array{Rule, Reads, list<Finding>, ?Failure}> $byRule */
    private function __construct(private Inspection $inspection, private array $byRule, public int $rulesRun)
    {
        // Whatever rules were asked for, one that failed is told: what it looks for is unknown, not sound.
        $failures = array_values(
            array_filter(array_column($byRule, 3), static fn (?Failure $failure): bool => $failure !== null),
        );
        $looksNot = new CouldNotLook();
        $unknown = array_map(static fn (Found $found): Finding => Finding::of($looksNot->about(), $found), array_values(
            [...$looksNot->check($inspection->after(...$failures))],
        ));
        $findings = self::withoutExplained([...array_merge(...array_column($byRule, 2)), ...$unknown]);
        usort($findings, Finding::compare(...));
        $this->findings = $findings;
    }

    /**
     * @internal Auditor makes them
     *
     * @param  list<Rule>  $rules
     */
    public static function of(array $rules, Inspection $inspection): self
    {
        $looking = array_values(array_filter($rules, static fn (Rule $rule): bool => ! $rule instanceof CouldNotLook));

        return new self(
            $inspection,
            array_map(static fn (Rule $rule): array => self::run($rule, $inspection), $looking),
            count($looking),
        );
    }

    public function book(): Book
    {
        return $this->inspection->book;
    }

    public function changedTo(Book $book): self
    {
        $edited = Edited::between($this->inspection->book, $book);
        if ($edited->isNothing()) {
            return $this;
        }
        $inspection = $this->inspection->changedTo($book);
        if (! $inspection->survey()->isAsBefore) {
            $edited = $edited->and(Inspection::CALLS);
        }
        $run = 0;
        $byRule = [];
        foreach ($this->byRule as $known) {
            $isTouched = $edited->touches($known[1]);
            $run += $isTouched ? 1 : 0;
            $byRule[] = $isTouched ? self::run($known[0], $inspection) : $known;
        }

        return new self($inspection, $byRule, $run);
    }

    /** @return array{Rule, Reads, list<Finding>, ?Failure} */
    private static function run(Rule $rule, Inspection $inspection): array
    {
        $reads = new Reads();
        $about = $rule->about();
        if (! $about->holdsIn($inspection->book->tenant->region)) {
            return [$rule, $reads, [], null];
        }
        $findings = [];
        try {
            foreach ($rule->check($inspection->watchedBy($reads)) as $found) {
                $findings[] = Finding::of($about, $found);
            }
        } catch (\Throwable $fault) {
            // One rule that cannot read a book must not silence all the others.
            $reads->workedOut(Inspection::ANYTHING);

            return [$rule, $reads, $findings, Failure::of($about, $fault)];
        }

        return [$rule, $reads, $findings, null];
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

        return array_values(array_filter($findings, static fn (Finding $finding): bool => ! isset(
            $explained["{$finding->about->id} " . Reference::of($finding->objects[0])],
        )));
    }
}
