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
