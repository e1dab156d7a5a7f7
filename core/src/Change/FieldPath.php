<?php

declare(strict_types=1);

namespace Jaunty\Core\Change;

/**
 * Reads and sets one field of an object's canonical form by its path: names joined by slashes, items of a list by their
 * `item` key, never by position (`legs/desk/seconds`). `legs/#order` stands for the order of a list's items.
 */
final class FieldPath
{
    public const ORDER = '#order';

    /**
     * @param  array<mixed>  $fields
     * @return mixed the value; null where nothing stands there
     */
    public static function get(array $fields, string $path): mixed
    {
        $value = $fields;
        foreach (explode('/', $path) as $step) {
            if (! is_array($value)) {
                return null;
            }
            if ($step === self::ORDER) {
                return array_column($value, 'item');
            }
            $value = Items::areItems($value) ? Items::find($value, $step) : ($value[$step] ?? null);
        }

        return $value;
    }

    /**
     * @param  array<mixed>  $fields
     * @param  ?string  $behind  where a new item of a list goes (see Items::put)
     * @return array<mixed> the fields with the value put there; null for an item of a list takes the item out
     */
    public static function set(array $fields, string $path, mixed $value, ?string $behind = null): array
    {
        $steps = explode('/', $path, 2);
        $step = $steps[0];
        $rest = $steps[1] ?? null;
        if ($step === self::ORDER) {
            return Items::inOrder($fields, is_array($value) ? $value : []);
        }
        $isItem = Items::areItems($fields)
            || ($fields === [] && is_array($value) && ($value['item'] ?? null) === $step);
        $current = $isItem ? Items::find($fields, $step) : ($fields[$step] ?? null);
        $new = $rest === null ? $value : self::set(is_array($current) ? $current : [], $rest, $value, $behind);
        if ($isItem) {
            return Items::put($fields, $step, is_array($new) ? $new : null, $behind);
        }
        $fields[$step] = $new;

        return $fields;
    }
}
