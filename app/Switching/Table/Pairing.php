<?php

declare(strict_types=1);

namespace App\Switching\Table;

use App\Switching\Bindings;
use App\Switching\Bound;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Mailbox;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Templates\Slug;

/**
 * Says which record is which object. A binding decides; without one, only a single exact candidate pairs: numbers by
 * E.164, holders of extensions by extension, mailboxes by owner, what has neither by its name. Anything else keeps a
 * name made from the switch's id.
 */
final class Pairing
{
    /**
     * @param  list<array{Kind, LiveRecord}>  $records  owners before mailboxes
     */
    public static function of(Book $book, Bindings $known, Dialect $dialect, array $records): Bindings
    {
        /** @var array<string, array{Reference, Bound}> $paired */
        $paired = [];
        foreach ($records as [$kind, $record]) {
            $reference = $known->called($record->id);
            if ($reference === null || $reference->kind !== $kind) {
                $marks = $dialect->marks($kind, $record->fields);
                $reference = self::candidate($book, $kind, $marks, $known, $paired)
                    ?? Reference::to(
                        $kind,
                        $kind === Kind::Number ? (string) $marks->number : Slug::of("live {$record->id}"),
                    );
            }
            $paired[(string) $reference] = [$reference, new Bound($record->id, $record->version)];
        }

        return Bindings::fromPairs($paired);
    }

    /** @param array<string, array{Reference, Bound}> $paired by reference */
    private static function candidate(
        Book $book,
        Kind $kind,
        Marks $marks,
        Bindings $known,
        array $paired,
    ): ?Reference {
        $externalId = static fn (Reference $owner): ?string => (
            $paired[(string) $owner][1] ?? $known->of($owner)
        )?->externalId;
        $fits = match ($kind) {
            Kind::Tenant => static fn (BookObject $object): bool => true,
            Kind::Number => static fn (BookObject $object): bool => $object->key() === $marks->number,
            Kind::Mailbox => static fn (BookObject $object): bool => $object instanceof Mailbox && match (true) {
                $marks->extension !== null => $object->extension() === $marks->extension,
                $marks->owner !== null => $object->owner !== null && $externalId($object->owner) === $marks->owner,
                default => $object->extension() === null
                    && $object->owner === null
                    && $object->label() === $marks->label,
            },
            Kind::User => static fn (BookObject $object): bool => $object->extension() !== null
                && $object->extension() === $marks->extension,
            default => static fn (BookObject $object): bool => $object->extension() !== null
                || $marks->extension !== null
                ? $object->extension() === $marks->extension
                : $object->label() === $marks->label,
        };
        $objects = $kind === Kind::Tenant ? [$book->tenant] : $book->ofKind($kind);
        $candidates = array_values(array_filter(
            $objects,
            static fn (BookObject $object): bool => $fits($object) && ! isset($paired[(string) Reference::of($object)]),
        ));

        return count($candidates) === 1 ? Reference::of($candidates[0]) : null;
    }
}
