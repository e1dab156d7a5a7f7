<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Evolution\Evolution;
use Jaunty\Core\Book\Fields\Fields;

/** Reads and writes the tenant book (design 09): open JSON, one customer a file. */
final class BookFormat
{
    public const FORMAT = 'jaunty-roster/tenant-book';

    /** Of what is written; older ones are read as well (Evolution). */
    public const VERSION = 3;

    private const DEEPEST = 32;

    /** Above the largest customer, of 8,000 users; a file beyond it is no book. */
    private const MOST_OBJECTS = 30_000;

    /**
     * @throws UnusableBook naming the path of the first fault: bad JSON, an unknown field, a wrong type, a reference
     *     that leads nowhere
     */
    public static function fromJson(string $json): Book
    {
        try {
            $value = json_decode($json, true, self::DEEPEST, JSON_THROW_ON_ERROR);
        } catch (\JsonException $fault) {
            throw UnusableBook::malformed('', "JSON ({$fault->getMessage()})", substr($json, 0, 40));
        }

        return self::fromValue($value);
    }

    /** @throws UnusableBook */
    public static function fromValue(mixed $value): Book
    {
        $book = self::fromLiveValue($value);
        $book->checkReferences();

        return $book;
    }

    /**
     * Reads a book as a switch was found: what is wrong there may lead to something that is not there.
     *
     * @throws UnusableBook
     */
    public static function fromLiveValue(mixed $value): Book
    {
        $node = Node::of($value);
        $lists = array_map(static fn (Kind $kind): string => $kind->field(), Kind::listed());
        $node->allow('format', 'version', 'tenant', ...$lists);
        if ($node->text('format') !== self::FORMAT) {
            throw UnusableBook::notOneOf('format', $node->text('format'), [self::FORMAT]);
        }
        $version = $node->whole('version', 0, 1, self::VERSION);
        $evolution = Evolution::toNow();
        $isNow = static fn (Kind $kind, Node $object): Node => $version === self::VERSION
            ? $object
            : Node::of($evolution->object($version, $kind, $object->bare()), $object->path);
        $objects = [];
        foreach (Kind::listed() as $kind) {
            $items = $node->nodes($kind->field());
            if (count($objects) + count($items) > self::MOST_OBJECTS) {
                throw UnusableBook::outOfRange($kind->field(), count($objects) + count($items), 0, self::MOST_OBJECTS);
            }
            foreach ($items as $item) {
                $objects[] = $kind->read($isNow($kind, $item));
            }
        }

        return Book::of(Tenant::read($isNow(Kind::Tenant, $node->object('tenant'))), $objects);
    }

    /** @return array<string, mixed> the book as JSON would hold it, fields at their default left out */
    public static function toValue(Book $book): array
    {
        $value = ['format' => self::FORMAT, 'version' => self::VERSION, 'tenant' => self::compactWithId($book->tenant)];
        foreach (Kind::listed() as $kind) {
            $objects = $book->ofKind($kind);
            if ($objects !== []) {
                $value[$kind->field()] = array_map(self::asInFile(...), $objects);
            }
        }

        return $value;
    }

    public static function toJson(Book $book): string
    {
        return json_encode(
            self::toValue($book),
            JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
        )
            . "\n";
    }

    /** @return array<string, mixed> the object's fields that differ from their default */
    public static function compact(BookObject $object): array
    {
        $fields = Fields::of($object::class);
        $written = $object->toArray();
        $must = $fields->must($written);
        $defaults = $fields->defaults($written);

        return array_filter(
            $written,
            static fn (mixed $value, string $field): bool => array_key_exists($field, $must)
                || $value !== $defaults[$field],
            ARRAY_FILTER_USE_BOTH,
        );
    }

    /** @return array<string, mixed> what the object's fields hold where a book says nothing */
    public static function defaults(BookObject $object): array
    {
        return Fields::of($object::class)->defaults($object->toArray());
    }

    /**
     * As a file writes it: what is unset inside lists and objects is left out, and the keys of a menu are an object.
     *
     * @return array<string, mixed>
     */
    private static function asInFile(BookObject $object): array
    {
        $fields = array_map(self::withoutUnset(...), self::compactWithId($object));
        if ($object instanceof Menu && isset($fields['keys'])) {
            $keys = new \stdClass();
            foreach ($object->keys as $key) {
                $keys->{$key->key} = ['to' => $key->to === null ? null : (string) $key->to, 'label' => $key->label];
            }
            $fields['keys'] = $keys;
        }

        return $fields;
    }

    private static function withoutUnset(mixed $value): mixed
    {
        if (! is_array($value)) {
            return $value;
        }

        return array_map(
            self::withoutUnset(...),
            array_is_list($value) ? $value : array_filter($value, static fn (mixed $inner): bool => $inner !== null),
        );
    }

    /** @return array<string, mixed> */
    private static function compactWithId(BookObject $object): array
    {
        $fields = self::compact($object);

        return $object->id() === null ? $fields : ['key' => $fields['key'], 'id' => $object->id(), ...$fields];
    }
}
