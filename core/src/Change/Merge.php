<?php

declare(strict_types=1);

namespace Jaunty\Core\Change;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;

/**
 * Three-way merge of a change set onto a book that moved on since the set was made. Each operation carries the value it
 * started from, which is the base; the head holds theirs.
 */
final readonly class Merge
{
    /** @param list<Clash> $clashes */
    private function __construct(public ChangeSet $changes, public array $clashes)
    {
    }

    public static function onto(Book $head, ChangeSet $ours): self
    {
        $kept = [];
        $clashes = [];
        $book = $head;
        foreach ($ours->operations as $operation) {
            $result = self::one($book, $operation);
            if ($result instanceof Clash) {
                $clashes[] = $result;
            } elseif ($result !== null) {
                $kept[] = $result;
                $book = ChangeSet::of($result)->applyTo($book);
            }
        }

        return new self(ChangeSet::of(...$kept), $clashes);
    }

    /** @return Operation|Clash|null null where both sides did the same */
    private static function one(Book $book, Operation $ours): Operation|Clash|null
    {
        $theirs = $book->find($ours->object);

        return match ($ours->kind) {
            OperationKind::Create => self::creation($ours, $theirs),
            OperationKind::Delete => self::deletion($ours, $theirs),
            OperationKind::Set, OperationKind::Move => self::edit($ours, $theirs),
        };
    }

    private static function creation(Operation $ours, ?BookObject $theirs): Operation|Clash|null
    {
        if ($theirs === null) {
            return $ours;
        }
        $same = Value::same(Operation::create($theirs)->after, $ours->after);

        return $same ? null : new Clash($ours->object, null, null, $ours->after, $theirs->toArray());
    }

    private static function deletion(Operation $ours, ?BookObject $theirs): Operation|Clash|null
    {
        if ($theirs === null) {
            return null;
        }
        $now = Operation::delete($theirs)->before;

        return Value::same($now, $ours->before) ? $ours : new Clash($ours->object, null, $ours->before, null, $now);
    }

    private static function edit(Operation $ours, ?BookObject $theirs): Operation|Clash|null
    {
        if ($theirs === null) {
            return new Clash($ours->object, $ours->path, $ours->before, $ours->after, null);
        }
        $now = FieldPath::get($theirs->toArray(), (string) $ours->path);

        return match (true) {
            $ours->endsAt($now) => null,
            $ours->startsFrom($now) => $ours,
            default => new Clash($ours->object, $ours->path, $ours->before, $ours->after, $now),
        };
    }
}
