<?php

declare(strict_types=1);

namespace Jaunty\Core\Change;

use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\UnusableBook;

/**
 * One change to one object. Each knows what was before, so each can be turned round.
 * Create and delete hold the whole object (id included); set holds one field; move holds the order of a list's items.
 * Of an item that comes or goes, set also holds where: behind which other item, empty for the first.
 */
final readonly class Operation
{
    private function __construct(
        public OperationKind $kind,
        public Reference $object,
        public ?string $path,
        public mixed $before,
        public mixed $after,
        public ?string $behind = null,
    ) {
    }

    public static function create(BookObject $object): self
    {
        return new self(OperationKind::Create, Reference::of($object), null, null, self::whole($object));
    }

    public static function delete(BookObject $object): self
    {
        return new self(OperationKind::Delete, Reference::of($object), null, self::whole($object), null);
    }

    public static function set(Reference $object, string $path, mixed $before, mixed $after): self
    {
        return new self(OperationKind::Set, $object, $path, $before, $after);
    }

    /**
     * @param  string  $path  the list's path
     * @param  list<string>  $before  item keys
     * @param  list<string>  $after  item keys
     */
    public static function move(Reference $object, string $path, array $before, array $after): self
    {
        return new self(OperationKind::Move, $object, $path . '/' . FieldPath::ORDER, $before, $after);
    }

    /** @internal */
    public static function fromDifference(Reference $object, FieldDifference $difference): self
    {
        $kind = str_ends_with($difference->path, '/' . FieldPath::ORDER) ? OperationKind::Move : OperationKind::Set;

        return new self(
            $kind,
            $object,
            $difference->path,
            $difference->before,
            $difference->after,
            $difference->behind,
        );
    }

    /** @throws UnusableBook when the value is no operation */
    public static function read(Node $node): self
    {
        $node->allow('op', 'object', 'path', 'before', 'after', 'behind');
        $kind = $node->choice('op', OperationKind::class, OperationKind::Set);
        $path = $node->textOrNull('path');
        $needsPath = $kind === OperationKind::Set || $kind === OperationKind::Move;
        if ($needsPath && ($path === null || $path === '' || $path === 'key')) {
            throw UnusableBook::malformed($node->at('path'), 'a field that can be set', $path);
        }

        return new self(
            $kind,
            Reference::parse($node->text('object'), $node->at('object')),
            $needsPath ? $path : null,
            $node->any('before'),
            $node->any('after'),
            $node->textOrNull('behind'),
        );
    }

    public function inverse(): self
    {
        $kind = match ($this->kind) {
            OperationKind::Create => OperationKind::Delete,
            OperationKind::Delete => OperationKind::Create,
            OperationKind::Set => OperationKind::Set,
            OperationKind::Move => OperationKind::Move,
        };

        return new self($kind, $this->object, $this->path, $this->after, $this->before, $this->behind);
    }

    /**
     * Whether a field that holds this is what the operation starts from. An order may have gained and lost items since.
     */
    public function startsFrom(mixed $value): bool
    {
        return $this->kind === OperationKind::Move
            ? Items::sameOrder($value, $this->before)
            : Value::same($value, $this->before);
    }

    /** Whether a field that holds this is what the operation would make of it. */
    public function endsAt(mixed $value): bool
    {
        return $this->kind === OperationKind::Move
            ? Items::sameOrder($value, $this->after)
            : Value::same($value, $this->after);
    }

    /** The same creation with an id, where it has none yet. */
    public function withId(string $id): self
    {
        $after = is_array($this->after) ? $this->after : [];

        return new self($this->kind, $this->object, $this->path, $this->before, $after + ['id' => $id]);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return array_filter([
            'op' => $this->kind->value,
            'object' => (string) $this->object,
            'path' => $this->path,
            'behind' => $this->behind,
        ], is_string(...)) + ['before' => $this->before, 'after' => $this->after];
    }

    /** @return array<string, mixed> */
    private static function whole(BookObject $object): array
    {
        $fields = BookFormat::compact($object);

        return $object->id() === null || $object->kind() === Kind::Tenant ? $fields : ['id' => $object->id()] + $fields;
    }
}
