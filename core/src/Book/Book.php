<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/**
 * One customer's whole configuration: the tenant and its objects by kind. Readonly; `with` and `without` make another.
 */
final readonly class Book
{
    /**
     * @param  array<string, array<string, BookObject>>  $objects  by kind, then key
     */
    private function __construct(public Tenant $tenant, private array $objects, private ?Reads $reads = null)
    {
    }

    /**
     * @param  iterable<BookObject>  $objects
     *
     * @throws UnusableBook when two objects of one kind share a key
     */
    public static function of(Tenant $tenant, iterable $objects): self
    {
        $byKind = [];
        foreach ($objects as $object) {
            $kind = $object->kind()->value;
            if (isset($byKind[$kind][self::slot($object->key())])) {
                throw UnusableBook::twice($object->kind()->field(), 'key', $object->key());
            }
            $byKind[$kind][self::slot($object->key())] = $object;
        }

        return new self($tenant, $byKind);
    }

    /**
     * The same book, which notes what is asked of it. The tenant is looked at for nearly everything, and is not noted.
     */
    public function watchedBy(Reads $reads): self
    {
        return new self($this->tenant, $this->objects, $reads);
    }

    public function find(Reference $reference): ?BookObject
    {
        $this->reads?->one($reference);
        if ($reference->kind === Kind::Tenant) {
            return $reference->key === $this->tenant->key ? $this->tenant : null;
        }

        return $this->objects[$reference->kind->value][self::slot($reference->key)] ?? null;
    }

    /** @return list<BookObject> in the book's order, without the tenant itself */
    public function ofKind(Kind $kind): array
    {
        $this->reads?->kind($kind);

        return array_values($this->objects[$kind->value] ?? []);
    }

    /**
     * Every object of a kind, as what it is, in the book's order.
     *
     * @template T of BookObject
     *
     * @param  class-string<T>  $class
     * @return list<T>
     */
    public function all(string $class): array
    {
        $kind = Kind::from(lcfirst(substr((string) strrchr($class, '\\'), 1)));
        $found = [];
        foreach ($this->ofKind($kind) as $object) {
            if ($object instanceof $class) {
                $found[] = $object;
            }
        }

        return $found;
    }

    /** @return list<BookObject> every object but the tenant, kinds in the order of the format's page */
    public function objects(): array
    {
        $all = [];
        foreach (Kind::listed() as $kind) {
            array_push($all, ...$this->ofKind($kind));
        }

        return $all;
    }

    /** The same book with the object put in; one of the same kind and key is replaced in its place. */
    public function with(BookObject $object): self
    {
        if ($object instanceof Tenant) {
            return new self($object, $this->objects);
        }
        $objects = $this->objects;
        $objects[$object->kind()->value][self::slot($object->key())] = $object;

        return new self($this->tenant, $objects);
    }

    public function without(Reference $reference): self
    {
        $objects = $this->objects;
        unset($objects[$reference->kind->value][self::slot($reference->key)]);

        return new self($this->tenant, $objects);
    }

    /**
     * Checks that every reference leads to something in the book, and that no object passes for another: an id is what
     * history, the switch and the rows of the database know it by.
     *
     * @throws UnusableBook naming the object and field of the first that does not
     */
    public function checkReferences(): void
    {
        $holders = [];
        foreach ([$this->tenant, ...$this->objects()] as $object) {
            $id = $object->id();
            if ($id !== null && isset($holders[$id])) {
                throw UnusableBook::idTaken(Reference::of($object), $id, $holders[$id]);
            }
            if ($id !== null) {
                $holders[$id] = $object;
            }
            foreach ($object->links() as $link) {
                if ($this->find($link->to) === null) {
                    throw UnusableBook::danglingReference(
                        Reference::of($object) . '.' . str_replace('/', '.', $link->path),
                        (string) $link->to,
                    );
                }
            }
        }
    }

    /**
     * Checks that no two objects answer to one extension. A file may hold such a book (it is a finding there); a book
     * that is entered may not.
     *
     * @param  list<Reference>  $changed  those that were just edited: the fault is told of one of them
     *
     * @throws UnusableBook naming both
     */
    public function checkExtensions(array $changed = []): void
    {
        $plan = ExtensionPlan::of($this);
        foreach ($plan->doubles() as $extension) {
            [$first, $second] = $plan->holders[$extension];
            $isChanged = static fn (BookObject $object): bool => array_filter(
                $changed,
                static fn (Reference $each): bool => $each->equals(Reference::of($object)),
            ) !== [];
            if ($isChanged($first) && ! $isChanged($second)) {
                [$first, $second] = [$second, $first];
            }
            throw UnusableBook::extensionTaken(Reference::of($second), $extension, $first);
        }
    }

    /**
     * Checks that nothing needs what was taken out.
     *
     * @param  list<BookObject>  $gone
     *
     * @throws UnusableBook naming what is gone, and what still leads to it
     */
    public function checkNotNeeded(array $gone): void
    {
        foreach ($gone as $object) {
            $reference = Reference::of($object);
            $needs = [];
            foreach ($this->find($reference) === null ? [$this->tenant, ...$this->objects()] : [] as $other) {
                foreach ($other->links() as $link) {
                    if ($link->to->equals($reference)) {
                        $needs[(string) Reference::of($other)] = "{$other->label()} ("
                            . explode('/', $link->path)[0]
                            . ')';
                    }
                }
            }
            if ($needs !== []) {
                throw UnusableBook::stillNeeded($reference, $object, array_values($needs));
            }
        }
    }

    /** Keys such as `201` would become integers as array keys; a sign in front keeps them text. */
    private static function slot(string $key): string
    {
        return '/' . $key;
    }
}
