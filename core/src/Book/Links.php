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

    /**
     * @param  list<Reference>  $to
     * @return list<Link>
     */
    public static function references(string $path, array $to): array
    {
        return array_map(static fn (Reference $reference, int $index): Link => new Link("{$path}/{$index}", $reference), $to, array_keys($to));
    }

    /** As books write it; null where unset. */
    public static function text(Reference|Destination|null $to): ?string
    {
        return $to === null ? null : (string) $to;
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
