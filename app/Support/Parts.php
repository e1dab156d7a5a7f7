<?php

declare(strict_types=1);

namespace App\Support;

/** Long lists in as many statements as PostgreSQL takes them in: one statement has 65,535 values at most. */
final class Parts
{
    private const MOST_VALUES = 65_535;

    /** More at once is no faster, and holds more of the text of a statement in memory. */
    private const AT_ONCE = 1_000;

    /**
     * @template T
     *
     * @param  list<T>  $rows  values, or rows of a table that all have the same columns
     * @return list<non-empty-list<T>>
     */
    public static function of(array $rows): array
    {
        $columns = isset($rows[0]) && is_array($rows[0]) ? max(1, count($rows[0])) : 1;

        return array_chunk($rows, max(1, min(self::AT_ONCE, intdiv(self::MOST_VALUES, $columns))));
    }
}
