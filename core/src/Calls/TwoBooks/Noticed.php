<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\TwoBooks;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Change\Operation;
use Jaunty\Core\Change\OperationKind;

/** Of the fields in which two books differ, those that callers notice each by itself. */
final class Noticed
{
    /**
     * A field is noticed if some call goes another way once it alone is taken back. Two that matter only together are
     * not: each of them may be taken back without anybody's noticing.
     *
     * @param  Book  $after  the book that holds the changes
     * @param  list<Operation>  $changes  what led to it
     * @param  int  $from  seconds since 1970; a year from there is looked at
     * @return list<Operation> in the order given; whole objects are left out, since what refers to them changed too
     */
    public static function of(Book $after, array $changes, int $from): array
    {
        $gone = array_values(array_filter(
            $changes,
            static fn (Operation $change): bool => $change->kind === OperationKind::Delete,
        ));

        return array_values(array_filter(
            $changes,
            static fn (Operation $change): bool => in_array(
                $change->kind,
                [OperationKind::Set, OperationKind::Move],
                true,
            )
                && self::isNoticed($after, $change, $gone, $from),
        ));
    }

    /** @param list<Operation> $gone objects that are in the book no more; a field may have led to one of them */
    private static function isNoticed(Book $after, Operation $change, array $gone, int $from): bool
    {
        try {
            $without = ChangeSet::of($change->inverse())->applyTo($after);
            $without->checkReferencesOf([$change->object]);
        } catch (UnusableBook) {
            // What was there before does not go with the rest as it is now, but perhaps with what it led to.
            return $gone !== [] && self::isNoticed(
                ChangeSet::of(...array_map(static fn (Operation $each): Operation => $each->inverse(), $gone))
                    ->applyTo($after),
                $change,
                [],
                $from,
            );
        }

        return ! Difference::between($without, $after, $from)->isEmpty();
    }
}
