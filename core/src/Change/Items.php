<?php

declare(strict_types=1);

namespace Jaunty\Core\Change;

/** Lists whose members carry an `item` key: addressed by it, in an order of their own. @internal */
final class Items
{
    /** @param array<mixed> $value */
    public static function areItems(array $value): bool
    {
        return $value !== [] && array_is_list($value) && is_array($value[0]) && isset($value[0]['item']);
    }

    /**
     * @param  array<mixed>  $items
     * @return list<string> the items' keys, in order
     */
    public static function keys(array $items): array
    {
        return array_values(array_filter(array_column($items, 'item'), is_string(...)));
    }

    /**
     * @param  array<mixed>  $items
     * @return ?array<mixed>
     */
    public static function find(array $items, string $key): ?array
    {
        foreach ($items as $item) {
            if (is_array($item) && ($item['item'] ?? null) === $key) {
                return $item;
            }
        }

        return null;
    }

    /**
     * @param  array<mixed>  $items
     * @param  ?array<mixed>  $new  null takes the item out; a new one goes last
     * @return list<mixed>
     */
    public static function put(array $items, string $key, ?array $new): array
    {
        $found = false;
        $result = [];
        foreach ($items as $item) {
            if (! is_array($item) || ($item['item'] ?? null) !== $key) {
                $result[] = $item;
            } elseif ($new !== null) {
                $found = true;
                $result[] = $new;
            } else {
                $found = true;
            }
        }

        return $found || $new === null ? $result : [...$result, $new];
    }

    /**
     * @param  array<mixed>  $items
     * @param  array<mixed>  $order  item keys; items it does not name keep their order behind those it does
     * @return list<mixed>
     */
    public static function inOrder(array $items, array $order): array
    {
        $rank = array_flip(array_filter($order, is_string(...)));
        $indexed = array_values($items);
        usort($indexed, static fn (mixed $a, mixed $b): int => self::rank($a, $rank) <=> self::rank($b, $rank));

        return $indexed;
    }

    /** @param array<string, int> $rank */
    private static function rank(mixed $item, array $rank): int
    {
        $key = is_array($item) ? ($item['item'] ?? null) : null;

        return is_string($key) ? $rank[$key] ?? PHP_INT_MAX : PHP_INT_MAX;
    }
}
