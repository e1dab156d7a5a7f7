<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** Time zones by their IANA name, such as `America/Halifax`. */
final class Zone
{
    /** @throws UnusableBook when there is no zone of that name */
    public static function parse(string $name, string $path = ''): string
    {
        if (! self::exists($name)) {
            throw UnusableBook::malformed($path, 'a time zone (such as America/Halifax)', $name);
        }

        return $name;
    }

    public static function exists(string $name): bool
    {
        static $known = null;
        $known ??= array_fill_keys(\DateTimeZone::listIdentifiers(\DateTimeZone::ALL_WITH_BC), true);

        return isset($known[$name]) && ($name === 'UTC' || str_contains($name, '/'));
    }
}
