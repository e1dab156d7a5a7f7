<?php

declare(strict_types=1);

namespace Jaunty\Core\Change;

/** Equality of JSON values: the order of an object's fields says nothing, the order of a list does. */
final class Value
{
    public static function same(mixed $a, mixed $b): bool
    {
        return $a === $b || self::ordered($a) === self::ordered($b);
    }

    private static function ordered(mixed $value): mixed
    {
        if (! is_array($value)) {
            return $value;
        }
        $value = array_map(self::ordered(...), $value);
        if (! array_is_list($value)) {
            ksort($value, SORT_STRING);
        }

        return $value;
    }
}
