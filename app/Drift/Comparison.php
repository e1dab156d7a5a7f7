<?php

declare(strict_types=1);

namespace App\Drift;

use App\Models\DriftWaiver;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Change\LeftFields;
use Jaunty\Core\Change\Operation;
use Jaunty\Core\Change\Value;

/** Book and live side by side, what differs sorted by what it is: drift, left to the customer, or waived. */
final readonly class Comparison
{
    /**
     * @param  Book  $book  the customer's own fields as they are live
     * @param  Book  $target  what a push brings the switch to: the book, with what was waived left as it is
     * @param  list<Operation>  $drift  from book to live
     * @param  list<Operation>  $left  to the customer
     * @param  list<array{Operation, DriftWaiver}>  $waived
     */
    private function __construct(public Book $book, public Book $live, public Book $target, public array $drift, public array $left, public array $waived)
    {
    }

    /**
     * @param  Book  $live  as the switch stands beside the book
     * @param  list<DriftWaiver>  $waivers  that hold today
     */
    public static function of(Book $book, Book $live, array $waivers): self
    {
        $fields = LeftFields::of($book->tenant);
        $left = $fields->differences($book, $live);
        $taken = ChangeSet::of(...$left)->applyTo($book);
        $drift = [];
        $waived = [];
        foreach (Diff::between($taken, $live)->operations as $operation) {
            $waiver = self::waiverOf($operation, $waivers);
            if ($waiver === null) {
                $drift[] = $operation;
            } else {
                $waived[] = [$operation, $waiver];
            }
        }

        return new self($taken, $live, ChangeSet::of(...array_column($waived, 0))->applyTo($taken), $drift, $left, $waived);
    }

    /**
     * For the rules about drift: what was waived is left aside.
     *
     * @param  int  $now  seconds since 1970
     */
    public function inspection(int $now): Inspection
    {
        return new Inspection($this->target, $now, $this->live);
    }

    /** @param list<DriftWaiver> $waivers */
    private static function waiverOf(Operation $operation, array $waivers): ?DriftWaiver
    {
        foreach ($waivers as $waiver) {
            if ($waiver->object === (string) $operation->object && $waiver->path === $operation->path && Value::same($waiver->live, $operation->after)) {
                return $waiver;
            }
        }

        return null;
    }
}
