<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/**
 * One customer's whole configuration: the tenant and its objects by kind. Nothing of it changes; `with` and `without`
 * make another.
 */
final class Book
{
    /**
     * @param  array<string, array<string, BookObject|Unread>>  $objects  by kind, then key
     * @param  array<string, true>  $unread  kinds of which some may not have been read yet
     */
    private function __construct(
        public readonly Tenant $tenant,
        private array $objects,
        private array $unread = [],
        private readonly ?Reads $reads = null,
    ) {
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
     * A book as it is kept, of which each object is read when it is asked for.
     *
     * @param  iterable<Unread>  $objects  in the book's order, no two of one kind and key
     */
    public static function kept(Tenant $tenant, iterable $objects): self
    {
        $byKind = [];
        foreach ($objects as $object) {
            $byKind[$object->kind->value][self::slot($object->key)] = $object;
        }

        return new self($tenant, $byKind, array_fill_keys(array_keys($byKind), true));
    }

    /** How many objects it has, the tenant among them. */
    public function size(): int
    {
        return 1 + array_sum(array_map(count(...), $this->objects));
    }

    /** @return list<string> of all objects of a kind, in the book's order */
    public function keys(Kind $kind): array
    {
        return array_map(
            static fn (string $slot): string => substr($slot, 1),
            array_keys($this->objects[$kind->value] ?? []),
        );
    }

    /**
     * The same book, which notes what is asked of it. The tenant is looked at for nearly everything, and is not noted.
     */
    public function watchedBy(Reads $reads): self
    {
        return new self($this->tenant, $this->objects, $this->unread, $reads);
    }

    public function find(Reference $reference): ?BookObject
    {
        $this->reads?->one($reference);
        if ($reference->kind === Kind::Tenant) {
            return $reference->key === $this->tenant->key ? $this->tenant : null;
        }

        $object = $this->objects[$reference->kind->value][self::slot($reference->key)] ?? null;

        return $object instanceof Unread ? $object->object() : $object;
    }

    /** @return list<BookObject> in the book's order, without the tenant itself */
    public function ofKind(Kind $kind): array
    {
        $this->reads?->kind($kind);

        return array_values($this->read($kind->value));
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
            return new self($object, $this->objects, $this->unread);
        }
        $objects = $this->objects;
        $objects[$object->kind()->value][self::slot($object->key())] = $object;

        return new self($this->tenant, $objects, $this->unread);
    }

    public function without(Reference $reference): self
    {
        $objects = $this->objects;
        unset($objects[$reference->kind->value][self::slot($reference->key)]);

        return new self($this->tenant, $objects, $this->unread);
    }

    /**
     * Checks that what some objects refer to is in the book.
     *
     * @param  list<Reference>  $from
     *
     * @throws UnusableBook naming the object and field of the first that does not
     */
    public function checkReferencesOf(array $from): void
    {
        foreach ($from as $reference) {
            $object = $this->find($reference);
            if ($object !== null) {
                $this->checkLinks($object);
            }
        }
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
            $this->checkLinks($object);
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

    private function checkLinks(BookObject $object): void
    {
        foreach ($object->links() as $link) {
            if (! $this->has($link->to)) {
                throw UnusableBook::danglingReference(
                    Reference::of($object) . '.' . str_replace('/', '.', $link->path),
                    (string) $link->to,
                );
            }
        }
    }

    private function has(Reference $reference): bool
    {
        $this->reads?->one($reference);

        return $reference->kind === Kind::Tenant
            ? $reference->key === $this->tenant->key
            : isset($this->objects[$reference->kind->value][self::slot($reference->key)]);
    }

    /** @return array<string, BookObject> */
    private function read(string $kind): array
    {
        $objects = [];
        if (! isset($this->unread[$kind])) {
            /** @var array<string, BookObject> $objects */
            $objects = $this->objects[$kind] ?? [];

            return $objects;
        }
        foreach ($this->objects[$kind] as $slot => $object) {
            $objects[$slot] = $object instanceof Unread ? $object->object() : $object;
        }
        // What is remembered is the book it always was.
        $this->objects[$kind] = $objects;
        unset($this->unread[$kind]);

        return $objects;
    }

    /** Keys such as `201` would become integers as array keys; a sign in front keeps them text. */
    private static function slot(string $key): string
    {
        return '/' . $key;
    }
}
