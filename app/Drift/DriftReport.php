<?php

declare(strict_types=1);

namespace App\Drift;

use App\Models\LiveSnapshot;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Change\Operation;
use Jaunty\Core\Change\OperationKind;

/** Book against live as last read, by field, with since when and by whom where the switch knows. */
final readonly class DriftReport
{
    /** @param list<Difference> $differences */
    private function __construct(public array $differences, public LiveSnapshot $snapshot)
    {
    }

    /** @param Book $live as the switch stands beside the book */
    public static function of(Book $book, Book $live, LiveSnapshot $snapshot): self
    {
        $differences = [];
        foreach (Diff::between($book, $live)->operations as $operation) {
            $differences[] = self::difference($operation, $book, $live, $snapshot);
        }

        return new self($differences, $snapshot);
    }

    private static function difference(Operation $operation, Book $book, Book $live, LiveSnapshot $snapshot): Difference
    {
        $object = $book->find($operation->object) ?? $live->find($operation->object) ?? throw new \LogicException("{$operation->object} stands nowhere");
        $edit = self::lastEdit($snapshot, $operation);

        return new Difference(
            object: (string) $operation->object,
            label: $object->label(),
            what: match ($operation->kind) {
                OperationKind::Create => 'unknown',
                OperationKind::Delete => 'missing',
                OperationKind::Set, OperationKind::Move => 'field',
            },
            path: $operation->path,
            book: $operation->path === null ? null : $operation->before,
            live: $operation->path === null ? null : $operation->after,
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
