<?php

declare(strict_types=1);

namespace App\Audit;

use App\Time\Clock;
use Jaunty\Core\Audit\Auditor;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\StandingAudit;
use Jaunty\Core\Audit\Surroundings;
use Jaunty\Core\Audit\Thresholds;
use Jaunty\Core\Book\Book;

/** Books under audit now, with the thresholds that hold for their customer. In the customer's scope. */
final readonly class Audits
{
    public function __construct(
        private Clock $clock,
        private ThresholdStore $thresholds,
        private SurroundingsReader $surroundings,
    ) {
    }

    /**
     * @param  ?Book  $head  as last entered, where it was loaded already
     * @return list<Finding> of a book of the customer: entered, edited or proposed
     */
    public function of(string $tenantId, Book $book, ?Book $head = null): array
    {
        return $this->standing($tenantId, $book, $head)->findings;
    }

    /** The same, to be gone on with after an edit. */
    public function standing(string $tenantId, Book $book, ?Book $head = null): StandingAudit
    {
        return Auditor::ofBooks()->standing(
            $this->inspection(
                $book,
                $this->thresholds->of($tenantId),
                $this->surroundings->of($tenantId, $book, $head),
            ),
        );
    }

    /**
     * What is found in one book of the customer that is not found in another: on the switch, and not in the book.
     *
     * @return list<Finding>
     */
    public function added(string $tenantId, Book $one, Book $other): array
    {
        $before = $this->standing($tenantId, $one);
        $known = array_map(static fn (Finding $finding): string => $finding->fingerprint(), $before->findings);

        return array_values(array_filter(
            $before->changedTo($other)->findings,
            static fn (Finding $finding): bool => ! in_array($finding->fingerprint(), $known, true),
        ));
    }

    /** @return list<Finding> of a book that is no customer's yet */
    public function ofNew(Book $book): array
    {
        return Auditor::whole()->audit($this->inspection($book, $this->thresholds->ofReseller()));
    }

    private function inspection(Book $book, Thresholds $thresholds, ?Surroundings $surroundings = null): Inspection
    {
        return new Inspection(
            $book,
            $this->clock->now()->getTimestamp(),
            thresholds: $thresholds,
            surroundings: $surroundings,
        );
    }
}
