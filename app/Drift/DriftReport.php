<?php

declare(strict_types=1);

namespace App\Drift;

use App\Models\DriftWaiver;
use App\Models\LiveSnapshot;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Change\FieldPath;
use Jaunty\Core\Change\Operation;
use Jaunty\Core\Change\OperationKind;
use Jaunty\Core\Change\Whose;

/**
 * Book against live as last read, by field, with since when and by whom where the switch knows, and what was signed.
 */
final readonly class DriftReport
{
    /**
     * @param  list<Difference>  $differences
     * @param  list<Difference>  $left  to the customer
     * @param  list<array{Difference, DriftWaiver}>  $waived
     */
    private function __construct(public array $differences, public array $left, public array $waived)
    {
    }

    /** @param ?Book $signed the book as it was signed */
    public static function of(Comparison $compared, LiveSnapshot $snapshot, ?Book $signed): self
    {
        $told = static fn (Operation $operation): Difference => self::difference(
            $operation,
            $compared->whose($operation),
            $compared->book,
            $compared->live,
            $snapshot,
            $signed,
        );

        return new self(
            array_map($told, $compared->drift),
            array_map($told, $compared->left),
            array_map(static fn (array $waived): array => [$told($waived[0]), $waived[1]], $compared->waived),
        );
    }

    /** @return list<Difference> what was entered since the book was signed, in the place of live */
    public static function sinceSigned(Book $signed, Book $book): array
    {
        return array_map(
            static fn (Operation $operation): Difference => self::difference(
                $operation,
                Whose::Ours,
                $signed,
                $book,
                null,
                $signed,
            ),
            Diff::between($signed, $book)->operations,
        );
    }

    private static function difference(
        Operation $operation,
        Whose $whose,
        Book $book,
        Book $live,
        ?LiveSnapshot $snapshot,
        ?Book $signed,
    ): Difference {
        $object = $book->find($operation->object)
            ?? $live->find($operation->object)
            ?? throw new \LogicException("{$operation->object} stands nowhere");
        $edit = $snapshot === null ? null : self::lastEdit($snapshot, $operation);
        $wasSigned = $operation->path === null ? null : $signed?->find($operation->object)?->toArray();

        return new Difference(
            object: (string) $operation->object,
            label: $object->label(),
            what: match ($operation->kind) {
                OperationKind::Create => 'unknown',
                OperationKind::Delete => 'missing',
                OperationKind::Set, OperationKind::Move => 'field',
            },
            whose: $whose,
            path: $operation->path,
            book: $operation->path === null ? null : $operation->before,
            live: $operation->path === null ? null : $operation->after,
            signed: $wasSigned === null ? null : FieldPath::get($wasSigned, (string) $operation->path),
            since: $edit['at'] ?? null,
            by: $edit['by'] ?? null,
        );
    }

    /** @return ?array{object: string, field: string, at: string, by: string} */
    private static function lastEdit(LiveSnapshot $snapshot, Operation $operation): ?array
    {
        $field = explode('/', (string) $operation->path)[0];
        foreach ($snapshot->edits as $edit) {
            if ($edit['object'] === (string) $operation->object && $edit['field'] === $field) {
                return $edit;
            }
        }

        return null;
    }
}
