<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

use Jaunty\Core\Book\UnusableBook;

/**
 * Puts answers where a template's fields ask for them:
 *
 * - `{"slot": "messages.slug"}`: an answer, or a part of one
 * - `{"join": ["user:", {"slot": "messages.slug"}]}`: text made of pieces, those of a list one after another; null as
 * soon as a piece is
 * - `{"first": [..., ...]}`: the first of them that is not null
 * - `{"if": condition, "then": ..., "else": ...}`: without `else` nothing
 * - `{"each": "users", "as": "user", "where": condition, "give": ...}`: a list, one for each row
 * - `{"keyed": "users.teams", "as": "team", "where": condition, "key": ..., "give": ...}`: as `each`, an object of
 * fields
 * - `{"merge": [..., ...]}`: one object of the fields of several, the first holding
 * - `{"counted": {"from": 300, "by": 10, "at": {"slot": "team.no"}}}`: the extension that comes at a place, of those
 * nobody was given
 *
 * In a list, what gives nothing is left out, and what gives a list of its own by `each` becomes part of it.
 */
final readonly class Filling
{
    /** @throws UnusableTemplate */
    public static function of(mixed $value, Said $said, string $path): mixed
    {
        if (! is_array($value)) {
            return $value;
        }
        if (array_is_list($value)) {
            return self::list($value, $said, $path);
        }
        foreach (
            [
                'slot' => self::slot(...), 'join' => self::join(...), 'first' => self::first(...),
                'if' => self::choose(...), 'each' => self::each(...), 'keyed' => self::keyed(...),
                'merge' => self::merge(...), 'counted' => self::counted(...),
            ] as $form => $fill
        ) {
            // A person's first name is a field like any other; only a list is a choice.
            if (array_key_first($value) === $form && (
                $form !== 'first' || (is_array($value['first']) && array_is_list($value['first']))
            )) {
                return $fill($value, $said, $path);
            }
        }
        $filled = [];
        foreach ($value as $field => $inner) {
            $filled[$field] = self::of($inner, $said, "{$path}.{$field}");
        }

        return $filled;
    }

    /**
     * @param  list<mixed>  $values
     * @return list<mixed>
     */
    private static function list(array $values, Said $said, string $path): array
    {
        $filled = [];
        foreach ($values as $index => $value) {
            $inner = self::of($value, $said, "{$path}[{$index}]");
            if (is_array($value) && array_key_first($value) === 'each' && is_array($inner)) {
                array_push($filled, ...array_values($inner));
            } elseif ($inner !== null) {
                $filled[] = $inner;
            }
        }

        return $filled;
    }

    /** @param array<mixed> $value */
    private static function slot(array $value, Said $said, string $path): mixed
    {
        return $said->part(
            is_string($value['slot']) ? $value['slot'] : throw UnusableTemplate::malformed($path, 'slot'),
            $path,
        );
    }

    /** @param array<mixed> $value */
    private static function join(array $value, Said $said, string $path): ?string
    {
        $text = '';
        foreach (
            is_array($value['join']) ? $value['join'] : throw UnusableTemplate::malformed($path, 'join') as $piece
        ) {
            $filled = self::of($piece, $said, $path);
            $filled = is_array($filled) ? implode('', array_filter($filled, is_scalar(...))) : $filled;
            if (! is_scalar($filled)) {
                return null;
            }
            $text .= (string) $filled;
        }

        return $text;
    }

    /** @param array<mixed> $value */
    private static function first(array $value, Said $said, string $path): mixed
    {
        foreach (
            is_array($value['first']) ? $value['first'] : throw UnusableTemplate::malformed($path, 'first') as $one
        ) {
            $filled = self::of($one, $said, $path);
            if ($filled !== null) {
                return $filled;
            }
        }

        return null;
    }

    /** @param array<mixed> $value */
    private static function choose(array $value, Said $said, string $path): mixed
    {
        return self::of(
            self::condition($value['if'], $path)->holds($said, $path) ? $value['then'] ?? null : $value['else'] ?? null,
            $said,
            $path,
        );
    }

    /**
     * @param  array<mixed>  $value
     * @return list<mixed>
     */
    private static function each(array $value, Said $said, string $path): array
    {
        $given = [];
        foreach (self::turns($value, $said, $path) as $turn) {
            $given[] = self::of($value['give'] ?? null, $turn, $path);
        }

        return $given;
    }

    /**
     * @param  array<mixed>  $value
     * @return array<mixed>
     */
    private static function keyed(array $value, Said $said, string $path): array
    {
        $given = [];
        foreach (self::turns(['each' => $value['keyed']] + $value, $said, $path) as $turn) {
            $key = self::of($value['key'] ?? null, $turn, $path);
            if (is_scalar($key)) {
                $given[(string) $key] = self::of($value['give'] ?? null, $turn, $path);
            }
        }

        return $given;
    }

    /**
     * @param  array<mixed>  $value
     * @return array<mixed>
     */
    private static function merge(array $value, Said $said, string $path): array
    {
        $merged = [];
        foreach (
            is_array($value['merge']) ? $value['merge'] : throw UnusableTemplate::malformed($path, 'merge') as $part
        ) {
            $filled = self::of($part, $said, $path);
            $merged += is_array($filled) ? $filled : [];
        }

        return $merged;
    }

    /**
     * The rows a repetition goes over, each with its name put among what was said.
     *
     * @param  array<mixed>  $value  each, as, where
     * @return array<string, Said> by the row's key
     */
    public static function turns(array $value, Said $said, string $path): array
    {
        if (! is_string($value['each'] ?? null) || ! is_string($value['as'] ?? null)) {
            throw UnusableTemplate::malformed($path, 'each');
        }
        $where = isset($value['where']) ? self::condition($value['where'], $path) : null;
        $turns = [];
        foreach ($said->rows($value['each'], $path) as $row) {
            // The place among those that count, where `no` is the place in what was answered.
            $turn = $said->with($value['as'], ['place' => count($turns) + 1] + $row);
            if (is_string($row['key'] ?? null) && ($where === null || $where->holds($turn, $path))) {
                $turns[$row['key']] = $turn;
            }
        }

        return $turns;
    }

    /** @param array<mixed> $value */
    private static function counted(array $value, Said $said, string $path): string
    {
        $counted = is_array($value['counted']) ? $value['counted'] : [];
        [$from, $by, $at] = [
            $counted['from'] ?? null,
            $counted['by'] ?? 1,
            self::of($counted['at'] ?? 1, $said, $path),
        ];

        if (! is_int($from) || ! is_int($by) || $by < 1 || ! is_int($at)) {
            throw UnusableTemplate::malformed($path, 'counted');
        }
        $extension = $from;
        while ($at > 1 || $said->namesExtension((string) $extension)) {
            $at -= $said->namesExtension((string) $extension) ? 0 : 1;
            $extension += $by;
        }

        return (string) $extension;
    }

    private static function condition(mixed $value, string $path): Condition
    {
        try {
            return Condition::read($value, $path);
        } catch (UnusableBook $fault) {
            throw UnusableTemplate::broken('condition', $fault);
        }
    }
}
