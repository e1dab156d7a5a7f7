<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** Collects the references of a field, none where the field is unset or leaves the book. */
final class Links
{
    /** @return list<Link> */
    public static function reference(string $path, ?Reference $to): array
    {
        return $to === null ? [] : [new Link($path, $to)];
    }

    /** @return list<Link> */
    public static function destination(string $path, ?Destination $to): array
    {
        return self::reference($path, $to?->object);
    }

    /** @return list<Link> */
    public static function treatment(string $path, ?Treatment $treatment): array
    {
        return $treatment === null ? [] : $treatment->links($path);
    }
}
