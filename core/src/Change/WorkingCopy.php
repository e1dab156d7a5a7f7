<?php

declare(strict_types=1);

namespace Jaunty\Core\Change;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\UnusableBook;

/**
 * A book in the middle of a change: objects as fields, read as objects again only at the end. What several operations
 * make of one object need not be valid between them.
 *
 * @internal
 */
final class WorkingCopy
{
    /** @var array<string, ?array<mixed>> fields by reference, of objects touched; null for one taken out */
    private array $touched = [];

    public function __construct(private readonly Book $book)
    {
    }

    /** @return ?array<mixed> null where there is no such object */
    public function fields(Reference $object): ?array
    {
        $name = (string) $object;

        return array_key_exists($name, $this->touched) ? $this->touched[$name] : $this->book->find($object)?->toArray();
    }

    /**
     * @throws ChangeError when the operation does not start from what stands here
     * @throws UnusableBook when it would make the object another one
     */
    public function apply(Operation $operation): void
    {
        $object = $operation->object;
        if ($object->kind === Kind::Tenant && $operation->path === null) {
            throw ChangeError::keptForGood($object);
        }
        $fields = $this->fields($object);
        if ($operation->kind === OperationKind::Create) {
            $this->touched[(string) $object] = $fields === null
                ? (is_array($operation->after) ? $operation->after : [])
                : throw ChangeError::alreadyThere($object);

            return;
        }
        if ($fields === null) {
            throw ChangeError::notThere($object);
        }
        if ($operation->kind === OperationKind::Delete) {
            $this->touched[(string) $object] = null;

            return;
        }
        $path = (string) $operation->path;
        if ($path === 'id' || $path === 'key') {
            // History, references and the switch know it by these.
            throw UnusableBook::keptForGood("{$object}.{$path}");
        }
        if (! $operation->startsFrom(FieldPath::get($fields, $path))) {
            throw ChangeError::changedMeanwhile($object, $path);
        }
        $this->touched[(string) $object] = FieldPath::set($fields, $path, $operation->after, $operation->behind);
    }

    /** @throws UnusableBook when a value is not allowed in its field */
    public function book(): Book
    {
        $book = $this->book;
        foreach ($this->touched as $name => $fields) {
            $reference = Reference::parse($name);
            if ($fields === null) {
                $book = $book->without($reference);

                continue;
            }
            $id = $book->find($reference)?->id();
            $book = $book->with($reference->kind->read(Node::of($fields + ($id === null ? [] : ['id' => $id]), $name)));
        }

        return $book;
    }
}
