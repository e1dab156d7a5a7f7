<?php

declare(strict_types=1);

namespace Jaunty\Core\Provisioning;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Fields\Fields;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Link;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Tenant;
use Jaunty\Core\Change\Value;

/**
 * What a switch can hold of a book. Of the rest two things are true: it stays the book's, so that it never differs from
 * what is live; and where calls hang on it, it is told as not supported there.
 */
final readonly class Capabilities
{
    /** @var array<string, list<string>> by kind that it holds: fields that it has no place for and ought to have */
    private array $lacking;

    /**
     * @param  array<string, list<string>>  $fields  by kind: what it holds of it; a kind that is not listed stays in
     *     the book
     * @param  int  $ringSeconds  seconds to a ring, where it stores whole rings; 1 where it stores seconds
     * @param  ?int  $menuLevels  how many menus may lead one to the next, the first included; null: as many as are made
     * @param  array<string, string>  $lacks  why it has no place for a field (`group/queue`), where more is to be said
     * @param  list<string>  $needless  fields (`number/trunk`) that it does without: no call hangs on them there
     * @param  bool  $takesSecrets  whether PINs can be told to it
     * @param  bool  $keepsCalls  whether it writes down the calls it carried
     * @param  array<string, string>  $codes  what it takes for a code of features, by what it is for; what is not
     *     listed it does not have
     */
    public function __construct(
        private array $fields,
        public int $ringSeconds = 1,
        private ?int $menuLevels = null,
        private array $lacks = [],
        array $needless = [],
        public bool $takesSecrets = true,
        public bool $keepsCalls = true,
        public array $codes = [],
    ) {
        $lacking = [];
        foreach ($fields as $kind => $held) {
            foreach (Fields::of(Kind::from($kind)->class())->named() as $name => $field) {
                $isAsked = ! $field->isBeside
                    && ($takesSecrets || ! $field->isSecret)
                    && ! in_array("{$kind}/{$name}", $needless, true);
                if ($isAsked && ! in_array($name, [...$held, 'id', 'key'], true)) {
                    $lacking[$kind][] = $name;
                }
            }
        }
        $this->lacking = $lacking;
    }

    public function granularity(): Granularity
    {
        return new Granularity($this->ringSeconds);
    }

    public function holds(Kind $kind): bool
    {
        return isset($this->fields[$kind->value]);
    }

    /**
     * As much of the book as the switch can hold: without what it has no place for, and without what leads there.
     */
    public function of(Book $book): Book
    {
        $gone = $this->withoutPlace($book);
        $left = array_filter(
            $book->objects(),
            fn (BookObject $object): bool => $this->holds($object->kind())
                && ! isset($gone[(string) Reference::of($object)]),
        );
        if ($gone === [] && $this->lacking === []) {
            return Book::of($book->tenant, $left);
        }

        return Book::of(
            self::without($book->tenant, $this->lacking[Kind::Tenant->value] ?? [], $gone),
            array_map(
                fn (BookObject $object): BookObject => self::without(
                    $object,
                    $this->lacking[$object->kind()->value] ?? [],
                    $gone,
                ),
                array_values($left),
            ),
        );
    }

    /** @return ?BookObject as much of one object as the switch can hold; null where it has no place for it */
    public function held(Book $book, Reference $object): ?BookObject
    {
        $ours = $book->find($object);
        $gone = $ours === null ? [] : $this->withoutPlace($book);
        if ($ours === null || ! $this->holds($object->kind) || isset($gone[(string) $object])) {
            return $object->kind === Kind::Tenant ? $ours : null;
        }

        return self::without($ours, $this->lacking[$object->kind->value] ?? [], $gone);
    }

    /** One object that was read of the switch, with what the switch has no place for as the book has it. */
    public function asOurs(BookObject $live, Book $book): BookObject
    {
        $ours = $book->find(Reference::of($live));

        return $ours === null ? $live : $this->withOurs($live, $ours, $this->held($book, Reference::of($live)));
    }

    /**
     * What was read of the switch beside another book than the one it was read with: what the switch has no place for
     * is that book's.
     */
    public function beside(Book $live, Book $book): Book
    {
        $held = $this->of($book);
        $objects = [];
        foreach ($live->objects() as $object) {
            if ($this->holds($object->kind())) {
                $reference = Reference::of($object);
                $ours = $book->find($reference);
                $objects[(string) $reference] = $ours === null
                    ? $object
                    : $this->withOurs($object, $ours, $held->find($reference));
            }
        }
        foreach ($book->objects() as $object) {
            $reference = Reference::of($object);
            $objects += $held->find($reference) === null ? [(string) $reference => $object] : [];
        }

        return Book::of($this->withOurs($live->tenant, $book->tenant, $held->tenant), array_values($objects));
    }

    /** @return list<Unsupported> what calls hang on and the switch has no place for */
    public function unsupported(Book $book): array
    {
        $found = [];
        foreach ($this->withoutPlace($book) as $reference => $why) {
            $found[] = new Unsupported($reference, null, $why);
        }
        foreach ($this->lacking === [] ? [] : [$book->tenant, ...$book->objects()] as $object) {
            $lacking = $this->lacking[$object->kind()->value] ?? [];
            $written = $lacking === [] ? [] : $object->toArray();
            $unset = $lacking === [] ? [] : self::unset($object, $lacking)->toArray();
            foreach ($lacking as $field) {
                if (! Value::same($written[$field] ?? null, $unset[$field] ?? null)) {
                    $found[] = new Unsupported(
                        (string) Reference::of($object),
                        $field,
                        $this->lacks["{$object->kind()->value}/{$field}"] ?? 'it has no place for that',
                    );
                }
            }
        }

        return [...$found, ...$this->otherCodes($book->tenant)];
    }

    /** @return list<Unsupported> codes of the book's that the switch does not take */
    private function otherCodes(Tenant $tenant): array
    {
        $other = [];
        $lacks = in_array('features', $this->lacking[Kind::Tenant->value] ?? [], true);
        foreach ($lacks ? [] : $tenant->features->codes as $name => $code) {
            $theirs = $this->codes[$name] ?? null;
            if ($code !== null && $code !== $theirs) {
                $other[] = new Unsupported(
                    (string) Reference::of($tenant),
                    "features/codes/{$name}",
                    $theirs === null ? 'it has no such code' : "its code for that is {$theirs}",
                );
            }
        }

        return $other;
    }

    /** @return array<string, string> what takes calls and has no place there, by reference, with why */
    private function withoutPlace(Book $book): array
    {
        $without = [];
        foreach (Kind::listed() as $kind) {
            foreach ($kind->takesCalls() && ! $this->holds($kind) ? $book->ofKind($kind) : [] as $object) {
                $without[(string) Reference::of($object)] = $this->lacks[$kind->value] ?? 'it has no place for such';
            }
        }

        return $this->menuLevels === null ? $without : $without + $this->tooDeep($book, $this->menuLevels);
    }

    /** @return array<string, string> */
    private function tooDeep(Book $book, int $levels): array
    {
        $from = [];
        $level = [];
        foreach ([$book->tenant, ...$book->objects()] as $object) {
            foreach ($object->links() as $link) {
                if ($link->to->kind !== Kind::Menu) {
                    continue;
                }
                if ($object->kind() === Kind::Menu) {
                    $from[(string) Reference::of($object)][] = (string) $link->to;
                } else {
                    $level[(string) $link->to] = 1;
                }
            }
        }
        for ($next = array_keys($level), $depth = 2; $next !== []; $depth++) {
            $after = [];
            foreach ($next as $menu) {
                foreach ($from[$menu] ?? [] as $to) {
                    if (! isset($level[$to])) {
                        $level[$to] = $depth;
                        $after[] = $to;
                    }
                }
            }
            $next = $after;
        }
        $deep = array_filter($level, static fn (int $depth): bool => $depth > $levels);

        return array_map(static fn (int $depth): string => "it has menus of {$levels} levels", $deep);
    }

    /**
     * @template T of BookObject
     *
     * @param  T  $live
     * @return T
     */
    private function withOurs(BookObject $live, BookObject $ours, ?BookObject $held): BookObject
    {
        $mine = $ours->toArray();
        $theirs = $live->toArray();
        $merged = array_intersect_key($theirs, array_flip($this->fields[$live->kind()->value] ?? []));
        if ($held !== null && $held !== $ours) {
            $there = $held->toArray();
            foreach ($merged as $field => $value) {
                $merged[$field] = self::merged($value, $there[$field] ?? null, $mine[$field] ?? null);
            }
        }

        $whole = array_replace($mine, $merged);

        // Nearly always: a comparison goes through every object, and reading is what costs.
        return $whole === $theirs && $live->id() === $ours->id()
            ? $live
            : self::again($live, ['id' => $ours->id()] + $whole);
    }

    /** What is live, but ours where the switch holds as much of it as it can. */
    private static function merged(mixed $live, mixed $held, mixed $ours): mixed
    {
        if (Value::same($held, $ours)) {
            return $live;
        }
        if (Value::same($live, $held)) {
            return $ours;
        }
        if (! is_array($live) || ! is_array($held) || ! is_array($ours)) {
            return $live;
        }
        if (! array_is_list($live) && ! array_is_list($ours)) {
            $merged = [];
            foreach ($live as $name => $value) {
                $merged[$name] = self::merged($value, $held[$name] ?? null, $ours[$name] ?? null);
            }

            return $merged;
        }
        [$held, $mine] = [self::byItem($held), self::byItem($ours)];
        $merged = [];
        foreach (self::byItem($live) as $item => $value) {
            $merged[$item] = isset($mine[$item]) ? self::merged($value, $held[$item] ?? null, $mine[$item]) : $value;
        }

        return array_values($merged + array_diff_key($mine, $held));
    }

    /**
     * @param  array<mixed>  $list
     * @return array<int|string, mixed>
     */
    private static function byItem(array $list): array
    {
        $items = [];
        foreach ($list as $place => $item) {
            $items[is_array($item) && is_string($item['item'] ?? null) ? $item['item'] : $place] = $item;
        }

        return $items;
    }

    /**
     * @template T of BookObject
     *
     * @param  T  $object
     * @param  list<string>  $fields  that are left unset
     * @param  array<string, string>  $gone  what nothing may lead to, by reference
     * @return T
     */
    private static function without(BookObject $object, array $fields, array $gone): BookObject
    {
        $bare = $fields === [] ? $object : self::unset($object, $fields);
        $leads = static fn (Link $link): bool => isset($gone[(string) $link->to]);
        if ($gone === [] || array_filter($bare->links(), $leads) === []) {
            return $bare;
        }
        $pruned = self::pruned($bare->toArray(), $gone);

        return self::again($bare, ['id' => $bare->id()] + (is_array($pruned) ? $pruned : []));
    }

    /**
     * A value without what leads to these: an item of a list goes, a field is unset.
     *
     * @param  array<string, string>  $gone
     */
    private static function pruned(mixed $value, array $gone): mixed
    {
        if (! is_array($value)) {
            return is_string($value) && isset($gone[$value]) ? null : $value;
        }
        $left = [];
        foreach ($value as $name => $each) {
            $is = self::pruned($each, $gone);
            $isLost = $is === null && $each !== null;
            if ($isLost && isset($value['item'])) {
                return null;
            }
            if (! $isLost || ! array_is_list($value)) {
                $left[$name] = $is;
            }
        }

        return array_is_list($value) ? array_values($left) : $left;
    }

    /**
     * @template T of BookObject
     *
     * @param  T  $object
     * @param  list<string>  $fields
     * @return T
     */
    private static function unset(BookObject $object, array $fields): BookObject
    {
        $must = Fields::of($object::class)->must($object->toArray());

        return self::again(
            $object,
            ['id' => $object->id()] + $must + array_diff_key($object->toArray(), array_flip($fields)),
        );
    }

    /**
     * @template T of BookObject
     *
     * @param  T  $object
     * @param  array<string, mixed>  $fields
     * @return T
     */
    private static function again(BookObject $object, array $fields): BookObject
    {
        $read = $object->kind()->read(Node::of($fields, 'live ' . Reference::of($object)));

        return $read instanceof $object ? $read : throw new \LogicException('a kind reads its own objects');
    }
}
