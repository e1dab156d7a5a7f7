<?php

declare(strict_types=1);

namespace Jaunty\Core\Change;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Reference;

/**
 * What book and live last agreed on, field by field: beside it, what differs can be told as ours (not pushed yet), theirs (changed
 * on the switch) or both. Without it nobody knows, and what differs counts as theirs.
 */
final readonly class Agreed
{
    public function __construct(private ?Book $book)
    {
    }

    /** After another look at both: where they are alike, that; where they differ, what they agreed on before. */
    public function after(Book $book, Book $live): Book
    {
        $agreed = $book;
        if ($this->book === null) {
            return $agreed;
        }
        foreach (Diff::between($book, $live)->operations as $operation) {
            $before = $this->book->find($operation->object);
            if ($operation->kind === OperationKind::Create) {
                $agreed = $before === null ? $agreed : $agreed->with($before);
            } elseif ($operation->kind === OperationKind::Delete) {
                $agreed = $before === null ? $agreed->without($operation->object) : $agreed;
            } elseif ($before !== null) {
                $agreed = match ($this->whose($operation)) {
                    Whose::Theirs => $agreed,
                    // Live is as it was agreed on.
                    Whose::Ours => ChangeSet::of($operation)->applyTo($agreed),
                    Whose::Both => self::put($agreed, $operation, FieldPath::get($before->toArray(), (string) $operation->path)),
                };
            }
        }

        return $agreed;
    }

    /** @param Operation $operation of those that lead from the book to live */
    public function whose(Operation $operation): Whose
    {
        if ($this->book === null) {
            return Whose::Theirs;
        }
        $agreed = $this->book->find($operation->object);
        if ($operation->kind === OperationKind::Create) {
            return $agreed === null ? Whose::Theirs : Whose::Ours;
        }
        if ($operation->kind === OperationKind::Delete) {
            return $agreed === null ? Whose::Ours : Whose::Theirs;
        }
        if ($agreed === null) {
            return Whose::Theirs;
        }
        $value = FieldPath::get($agreed->toArray(), (string) $operation->path);

        return match (true) {
            $operation->startsFrom($value) => Whose::Theirs,
            $operation->endsAt($value) => Whose::Ours,
            default => Whose::Both,
        };
    }

    private static function put(Book $book, Operation $operation, mixed $value): Book
    {
        $object = $book->find($operation->object);
        if ($object === null) {
            return $book;
        }
        $before = FieldPath::get($object->toArray(), (string) $operation->path);
        $order = static fn (mixed $keys): array => array_values(array_filter(is_array($keys) ? $keys : [], is_string(...)));
        $change = $operation->kind === OperationKind::Move
            ? Operation::move(Reference::of($object), substr((string) $operation->path, 0, -strlen('/' . FieldPath::ORDER)), $order($before), $order($value))
            : Operation::set(Reference::of($object), (string) $operation->path, $before, $value);

        return ChangeSet::of($change)->applyTo($book);
    }
}
