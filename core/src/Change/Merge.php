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
        $copy = new WorkingCopy($head);
        foreach ($ours->operations as $operation) {
            $result = self::one($copy->fields($operation->object), $head, $operation);
            if ($result instanceof Clash) {
                $clashes[] = $result;
            } elseif ($result !== null) {
                $kept[] = $result;
                $copy->apply($result);
            }
        }

        return new self(ChangeSet::of(...$kept), $clashes);
    }

    /**
     * @param  ?array<mixed>  $fields  what the head, and our operations so far, make of the object
     * @return Operation|Clash|null null where both sides did the same
     */
    private static function one(?array $fields, Book $head, Operation $ours): Operation|Clash|null
    {
        return match ($ours->kind) {
            OperationKind::Create => self::creation($ours, $head->find($ours->object)),
            OperationKind::Delete => self::deletion($ours, $head->find($ours->object)),
            OperationKind::Set, OperationKind::Move => self::edit($ours, $fields),
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

    /** @param ?array<mixed> $theirs */
    private static function edit(Operation $ours, ?array $theirs): Operation|Clash|null
    {
        if ($theirs === null) {
            return new Clash($ours->object, $ours->path, $ours->before, $ours->after, null);
        }
        $now = FieldPath::get($theirs, (string) $ours->path);

        return match (true) {
            $ours->endsAt($now) => null,
            $ours->startsFrom($now) => $ours,
            default => new Clash($ours->object, $ours->path, $ours->before, $ours->after, $now),
        };
    }
}
