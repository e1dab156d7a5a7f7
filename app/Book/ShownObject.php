<?php

declare(strict_types=1);

namespace App\Book;

use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Fields\Fields;
use Jaunty\Core\Book\Link;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Numbering\E164;

/** One object as screens show it: its whole canonical form, and what it refers to. It speaks of no other object. */
final class ShownObject
{
    /** To be raised when what is made here changes otherwise than by a field. */
    private const FORM = 1;

    private static ?string $contract = null;

    /** @return array<string, mixed> */
    public static function of(BookObject $object): array
    {
        return [
            'ref' => (string) Reference::of($object),
            'kind' => $object->kind()->value,
            'key' => $object->key(),
            'label' => $object->label(),
            'display' => $object instanceof Number ? E164::parse($object->key())->display() : null,
            'extension' => $object->extension(),
            'fields' => Fields::of($object::class)->json($object),
            'refersTo' => array_values(array_unique(array_map(
                static fn (Link $link): string => (string) $link->to,
                $object->links(),
            ))),
        ];
    }

    public static function json(BookObject $object): string
    {
        return json_encode(
            self::of($object),
            JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
        );
    }

    /** What the fields are declared as by now: an object written for another contract is made anew. */
    public static function contract(): string
    {
        return self::$contract ??= self::FORM . '-' . hash_file('crc32b', base_path('contract/objects.json'));
    }
}
