<?php

declare(strict_types=1);

namespace App\Switching\Practice;

use App\Switching\Bindings;
use App\Switching\Bound;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Mailbox;
use Jaunty\Core\Book\Reference;

/**
 * Says which record is which object. A binding decides; without one, only a single exact candidate pairs: numbers by
 * E.164, holders of extensions by extension, mailboxes by owner, what has neither by its name. Anything else keeps a
 * name made from the switch's id.
 */
final class Pairing
{
    /**
     * @param  list<array{Kind, array<string, mixed>}>  $records  owners before mailboxes
     */
    public static function of(Book $book, Bindings $known, array $records): Bindings
    {
        /** @var array<string, array{Reference, Bound}> $paired */
        $paired = [];
        foreach ($records as [$kind, $record]) {
            $id = self::text($record, 'id');
            $reference = $known->called($id);
            if ($reference === null || $reference->kind !== $kind) {
                $reference = self::candidate($book, $kind, $record, $known, $paired)
                    ?? Reference::to($kind, self::ownName($kind, $record));
            }
            $bound = new Bound($id, (string) (is_int($record['version'] ?? null) ? $record['version'] : 0));
            $paired[(string) $reference] = [$reference, $bound];
        }

        return Bindings::fromPairs($paired);
    }

    /**
     * @param  array<string, mixed>  $record
     * @param  array<string, array{Reference, Bound}>  $paired  by reference
     */
    private static function candidate(Book $book, Kind $kind, array $record, Bindings $known, array $paired): ?Reference
    {
        $externalId = static fn (Reference $owner): ?string => (
            $paired[(string) $owner][1] ?? $known->of($owner)
        )?->externalId;
        $fits = match ($kind) {
            Kind::Tenant => static fn (BookObject $object): bool => true,
            Kind::Number => static fn (BookObject $object): bool => $object->key() === '+'
                . self::text($record, 'digits'),
            Kind::Mailbox => static fn (BookObject $object): bool => match (true) {
                is_string($record['short'] ?? null) => $object->extension() === $record['short'],
                is_string($record['person'] ?? null) => $object instanceof Mailbox
                    && $object->owner !== null
                    && $externalId($object->owner) === $record['person'],
                default => $object->extension() === null
                    && $object instanceof Mailbox
                    && $object->owner === null
                    && $object->label() === ($record['caption'] ?? null),
            },
            Kind::User => static fn (BookObject $object): bool => $object->extension() !== null
                && $object->extension() === ($record['short'] ?? null),
            default => static fn (BookObject $object): bool => $object->extension() !== null
                || is_string($record['short'] ?? null)
                ? $object->extension() === ($record['short'] ?? null)
                : $object->label() === ($record['caption'] ?? null),
        };
        $objects = $kind === Kind::Tenant ? [$book->tenant] : $book->ofKind($kind);
        $candidates = array_values(array_filter(
            $objects,
            static fn (BookObject $object): bool => $fits($object) && ! isset($paired[(string) Reference::of($object)]),
        ));

        return count($candidates) === 1 ? Reference::of($candidates[0]) : null;
    }

    /** @param array<string, mixed> $record */
    private static function ownName(Kind $kind, array $record): string
    {
        return $kind === Kind::Number ? '+' . self::text($record, 'digits') : 'live-' . self::text($record, 'id');
    }

    /** @param array<string, mixed> $record */
    private static function text(array $record, string $field): string
    {
        return is_string($record[$field] ?? null) ? $record[$field] : '';
    }
}
