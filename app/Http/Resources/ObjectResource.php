<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Fields\Fields;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Numbering\E164;

/** One object as screens show it: its whole canonical form, and the names of what it refers to. */
final class ObjectResource
{
    /** @return array<string, mixed> */
    public static function of(BookObject $object, Book $book): array
    {
        $refers = [];
        foreach ($object->links() as $link) {
            $refers[(string) $link->to] = $book->find($link->to)?->label() ?? $link->to->key;
        }

        return [
            'ref' => (string) Reference::of($object),
            'kind' => $object->kind()->value,
            'key' => $object->key(),
            'label' => $object->label(),
            'display' => $object instanceof Number ? E164::parse($object->key())->display() : null,
            'extension' => $object->extension(),
            'fields' => Fields::of($object::class)->json($object),
            'refersTo' => (object) $refers,
        ];
    }
}
