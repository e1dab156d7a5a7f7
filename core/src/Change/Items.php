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
     * @param  ?array<mixed>  $new  null takes the item out
     * @param  ?string  $behind  where a new one goes: behind this item, empty for the first place; last where that is
     *     not there
     * @return list<mixed>
     */
    public static function put(array $items, string $key, ?array $new, ?string $behind = null): array
    {
        if ($new !== null && self::find($items, $key) === null) {
            $found = array_search($behind, array_column($items, 'item'), true);
            $place = $behind === '' ? 0 : ($found === false ? count($items) : (int) $found + 1);

            return [...array_values(array_slice($items, 0, $place)), $new, ...array_values(
                array_slice($items, $place),
            )];
        }
        $result = [];
        foreach ($items as $item) {
            if (! is_array($item) || ($item['item'] ?? null) !== $key) {
                $result[] = $item;
            } elseif ($new !== null) {
                $result[] = $new;
            }
        }

        return $result;
    }

    /** Whether the items that both orders name come in the same order in both. */
    public static function sameOrder(mixed $a, mixed $b): bool
    {
        $left = array_filter(is_array($a) ? $a : [], is_string(...));
        $right = array_filter(is_array($b) ? $b : [], is_string(...));

        return array_values(array_intersect($left, $right)) === array_values(array_intersect($right, $left));
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
