<?php

declare(strict_types=1);

namespace App\Book;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Change\AsTyped;
use Jaunty\Core\Change\ChangeError;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Change\FieldPath;
use Jaunty\Core\Change\Operation;
use Jaunty\Core\Change\OperationKind;

/** One thing as a technician wants it: a field, the order of a list, an object more or one less. */
final readonly class FieldEdit
{
    /** @param mixed $value the field's value, the items' keys in order, or a new object's fields */
    private function __construct(
        public OperationKind $kind,
        public Reference $object,
        public string $path,
        public mixed $value,
    ) {
    }

    public static function of(string $kind, string $object, ?string $path, mixed $value): self
    {
        return new self(OperationKind::from($kind), Reference::parse($object), $path ?? '', $value);
    }

    /** @throws ChangeError|\Jaunty\Core\Book\UnusableBook */
    public function applyTo(Book $book, ?AsTyped $typed = null): Book
    {
        $typed ??= new AsTyped($book);
        if ($this->kind === OperationKind::Create) {
            $fields = $typed->read($this->object, '', is_array($this->value) ? $this->value : []);
            $fields = is_array($fields) ? $fields : [];

            return ChangeSet::of(Operation::create(
                $this->object->kind->read(Node::of(['key' => $this->object->key] + $fields, (string) $this->object)),
            ))->applyTo($book);
        }
        $object = $book->find($this->object) ?? throw ChangeError::notThere($this->object);
        if ($this->kind === OperationKind::Delete) {
            return ChangeSet::of(Operation::delete($object))->applyTo($book);
        }
        $before = FieldPath::get($object->toArray(), $this->path);
        if ($this->kind === OperationKind::Set) {
            return ChangeSet::of(Operation::set($this->object, $this->path, $before, $typed->read(
                $this->object,
                $this->path,
                $this->value,
            )))->applyTo($book);
        }
        $keys = static fn (mixed $items): array => array_values(array_filter(
            is_array($items)
                ? array_map(static fn (mixed $item): mixed => is_array($item) ? $item['item'] ?? null : $item, $items)
                : [],
            is_string(...),
        ));

        return ChangeSet::of(
            Operation::move($this->object, $this->path, $keys($before), $keys($this->value)),
        )->applyTo($book);
    }

    /** Whether it settles what two technicians want differently. */
    public function decides(Reference $object, ?string $path): bool
    {
        return $this->object->equals($object)
            && ($this->kind === OperationKind::Delete || ($this->kind === OperationKind::Set && $this->path === $path));
    }
}
