<?php

declare(strict_types=1);

namespace Jaunty\Core\Change;

use Jaunty\Core\Book\Book;

/**
 * What book and live last agreed on, field by field: beside it, what differs can be told as ours (not pushed yet),
 * theirs (changed on the switch) or both. Without it nobody knows, and what differs counts as theirs.
 */
final readonly class Agreed
{
    public function __construct(private ?Book $book)
    {
    }

    /** After another look at both: where they are alike, that; where they differ, what they agreed on before. */
    public function after(Book $book, Book $live): Book
    {
        if ($this->book === null) {
            return $book;
        }
        $changes = [];
        foreach (Diff::between($book, $live)->operations as $operation) {
            $before = $this->book->find($operation->object);
            $changes[] = match (true) {
                $operation->kind === OperationKind::Create => $before === null ? null : Operation::create($before),
                $operation->kind === OperationKind::Delete => $before === null ? $operation : null,
                $before === null => null,
                default => match ($this->whose($operation)) {
                    Whose::Theirs => null,
                    // Live is as it was agreed on.
                    Whose::Ours => $operation,
                    Whose::Both => self::towards(
                        $operation,
                        FieldPath::get($before->toArray(), (string) $operation->path),
                    ),
                },
            };
        }

        return ChangeSet::of(...array_filter($changes))->applyTo($book);
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

    /** The same field, brought to another value. */
    private static function towards(Operation $operation, mixed $value): Operation
    {
        $order = static fn (mixed $keys): array => array_values(
            array_filter(is_array($keys) ? $keys : [], is_string(...)),
        );

        return $operation->kind === OperationKind::Move
            ? Operation::move(
                $operation->object,
                substr((string) $operation->path, 0, -strlen('/' . FieldPath::ORDER)),
                $order($operation->before),
                $order($value),
            )
            : Operation::set($operation->object, (string) $operation->path, $operation->before, $value);
    }
}
