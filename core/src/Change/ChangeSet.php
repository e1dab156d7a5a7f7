<?php

declare(strict_types=1);

namespace Jaunty\Core\Change;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Evolution\Evolution;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\UnusableBook;

/**
 * An ordered list of creations, edits and deletions on one customer's book: the one kind of change there is.
 * Applied whole or not at all.
 */
final readonly class ChangeSet
{
    /** @param list<Operation> $operations */
    private function __construct(public array $operations)
    {
    }

    public static function of(Operation ...$operations): self
    {
        return new self(array_values($operations));
    }

    /**
     * @param  mixed  $value  a list of operations
     * @param  int  $version  of the format they were written in
     *
     * @throws UnusableBook naming the operation and field at fault
     */
    public static function read(mixed $value, string $path = 'operations', int $version = BookFormat::VERSION): self
    {
        $value = Evolution::toNow()->operations($version, $value);

        return new self(array_map(Operation::read(...), Node::of([$path => $value])->nodes($path)));
    }

    public function isEmpty(): bool
    {
        return $this->operations === [];
    }

    /**
     * The book with every operation done. References are not checked here: see Book::checkReferences().
     *
     * @throws ChangeError when an operation does not start from what the book holds
     * @throws UnusableBook when a new value is not allowed in its field
     */
    public function applyTo(Book $book): Book
    {
        $copy = new WorkingCopy($book);
        foreach ($this->operations as $operation) {
            $copy->apply($operation);
        }

        return $copy->book();
    }

    /**
     * As much of it as leaves no reference into nothing, where only some of what lies between two books is taken: of a
     * field that leads to an object made there, only with the object; of an object's end, only with what led to it.
     *
     * @param  Book  $onto  in which every reference leads to something
     */
    public function leadingSomewhere(Book $onto): self
    {
        $left = $this;
        do {
            $before = count($left->operations);
            $left = $before === 0 ? $left : $left->without($left->applyTo($onto));
        } while (count($left->operations) < $before);

        return $left;
    }

    /** @param Book $after what it makes */
    private function without(Book $after): self
    {
        $restored = [];
        $nowhere = [];
        $deletes = array_filter($this->operations, static fn (Operation $each): bool => $each->kind
            === OperationKind::Delete);
        // What was not touched can lead nowhere only where something was deleted.
        $touched = $deletes === []
            ? array_filter(array_map($after->find(...), $this->objects()))
            : [$after->tenant, ...$after->objects()];
        foreach ($touched as $object) {
            foreach ($object->links() as $link) {
                if ($after->find($link->to) === null) {
                    $restored[(string) $link->to] = true;
                    $nowhere[(string) Reference::of($object)][] = $link->path;
                }
            }
        }
        $restored = array_intersect_key($restored, array_flip(array_map(
            static fn (Operation $each): string => (string) $each->object,
            $deletes,
        )));
        $isKept = $restored !== []
            ? static fn (Operation $each): bool => ! isset($restored[(string) $each->object])
            : static fn (Operation $each): bool => array_filter(
                $nowhere[(string) $each->object] ?? [],
                static fn (string $path): bool => $each->path === null
                    || $each->kind === OperationKind::Set && str_starts_with("{$path}/", "{$each->path}/"),
            ) === [];

        return self::of(...array_filter($this->operations, $isKept));
    }

    public function inverse(): self
    {
        return new self(array_map(
            static fn (Operation $operation): Operation => $operation->inverse(),
            array_reverse($this->operations),
        ));
    }

    /** @return list<Reference> the objects it touches, each once, in order */
    public function objects(): array
    {
        $objects = [];
        foreach ($this->operations as $operation) {
            $objects[(string) $operation->object] = $operation->object;
        }

        return array_values($objects);
    }

    /** @return list<array<string, mixed>> */
    public function toArray(): array
    {
        return array_map(static fn (Operation $operation): array => $operation->toArray(), $this->operations);
    }
}
