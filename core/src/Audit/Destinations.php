<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Fields\Fields;

/** Where an object sends calls, field by field, whatever its kind. */
final class Destinations
{
    /** @var ?\WeakMap<BookObject, array<string, string>> objects never change, and many rules ask this of each */
    private static ?\WeakMap $known = null;

    /** @return array<string, string> as the book writes them, by path: `members/van/who` to `outside:+19025550177` */
    public static function of(BookObject $object): array
    {
        self::$known ??= new \WeakMap();

        return self::$known[$object] ??= Fields::of($object::class)->sends($object);
    }

    /** @return array<string, string> E.164 by path */
    public static function outsideOf(BookObject $object): array
    {
        $found = [];
        foreach (self::of($object) as $path => $to) {
            if (str_starts_with($to, 'outside:')) {
                $found[$path] = substr($to, strlen('outside:'));
            }
        }

        return $found;
    }
}
