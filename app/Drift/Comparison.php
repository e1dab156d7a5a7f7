<?php

declare(strict_types=1);

namespace App\Drift;

use App\Models\DriftWaiver;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Change\Agreed;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Change\LeftFields;
use Jaunty\Core\Change\Operation;
use Jaunty\Core\Change\Value;
use Jaunty\Core\Change\Whose;

/**
 * Book and live side by side, what differs sorted by what it is: not pushed yet, changed on the switch, left to the
 * customer, or waived.
 */
final readonly class Comparison
{
    /**
     * @param  Book  $book  the customer's own fields as they are live
     * @param  Book  $target  what a push brings the switch to: the book, with what was waived left as it is
     * @param  list<Operation>  $drift  from book to live, whoever changed it
     * @param  list<Operation>  $left  to the customer, and changed by nobody else
     * @param  list<array{Operation, DriftWaiver}>  $waived
     */
    private function __construct(
        public Book $book,
        public Book $live,
        public Book $target,
        public array $drift,
        public array $left,
        public array $waived,
        private Agreed $agreed,
    ) {
    }

    /**
     * @param  Book  $live  as the switch stands beside the book
     * @param  list<DriftWaiver>  $waivers  that hold today
     * @param  Agreed  $agreed  what both said alike before
     */
    public static function of(Book $book, Book $live, array $waivers, Agreed $agreed): self
    {
        $fields = LeftFields::of($book->tenant);
        // What somebody here entered since is meant, though it is the customer's own: it is pushed once, and theirs
        // after that.
        // One that leads to what was made on the switch, and what the book does not have, cannot be left without it.
        $left = ChangeSet::of(...array_filter(
            $fields->differences($book, $live),
            static fn (Operation $each): bool => $agreed->whose($each) === Whose::Theirs,
        ))->leadingSomewhere($book);
        $taken = $left->applyTo($book);
        $between = Diff::between($taken, $live)->operations;
        $waiverOf = array_map(
            static fn (Operation $each): ?DriftWaiver => self::waiverOf($each, $waivers),
            $between,
        );
        $leave = ChangeSet::of(...array_intersect_key($between, array_filter($waiverOf)))->leadingSomewhere($taken);
        $drift = [];
        $waived = [];
        foreach ($between as $nth => $operation) {
            $waiver = $waiverOf[$nth];
            if ($waiver === null || ! in_array($operation, $leave->operations, true)) {
                $drift[] = $operation;
            } else {
                $waived[] = [$operation, $waiver];
            }
        }

        return new self(
            $taken,
            $live,
            $leave->applyTo($taken),
            $drift,
            $left->operations,
            $waived,
            $agreed,
        );
    }

    /** @param Operation $operation of the drift */
    public function whose(Operation $operation): Whose
    {
        return $this->agreed->whose($operation);
    }

    /**
     * @return list<Operation> of the drift, what was changed on the switch; what only waits to be pushed is none of it
     */
    public function changedThere(): array
    {
        return array_values(
            array_filter($this->drift, fn (Operation $each): bool => $this->whose($each) !== Whose::Ours),
        );
    }

    /** The book without what was not pushed yet: what differs from live then was changed there. */
    public function asPushed(): Book
    {
        return ChangeSet::of(
            ...array_filter($this->drift, fn (Operation $each): bool => $this->whose($each) === Whose::Ours),
        )->leadingSomewhere($this->target)->applyTo($this->target);
    }

    /**
     * For the rules about drift: what was waived is left aside, and what was not pushed yet.
     *
     * @param  int  $now  seconds since 1970
     */
    public function inspection(int $now): Inspection
    {
        return new Inspection($this->asPushed(), $now, $this->live);
    }

    /** @param list<DriftWaiver> $waivers */
    private static function waiverOf(Operation $operation, array $waivers): ?DriftWaiver
    {
        foreach ($waivers as $waiver) {
            if ($waiver->object === (string) $operation->object && $waiver->path === $operation->path && Value::same(
                $waiver->live,
                $operation->after,
            )) {
                return $waiver;
            }
        }

        return null;
    }
}
