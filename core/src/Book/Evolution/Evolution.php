<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Evolution;

use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Kind;

/**
 * The one door through which older bodies come: of objects, in rows and in whole books (files, snapshots,
 * applications), and of operations (revisions, drafts). Takes and gives bare values, as JSON holds them; what is none
 * of these comes through unchanged, for the reader to refuse.
 *
 * The same is done to an object, to a change of it and to what the change started from, so an older revision can be
 * undone and an older book be compared for ever.
 */
final readonly class Evolution
{
    /** @param array<int, Step> $steps by the version each starts from, up to the one before $to */
    private function __construct(private array $steps, public int $to)
    {
    }

    public static function toNow(): self
    {
        return new self([1 => new RingsAtLeastOne(), 2 => new EvidenceIsRecorded()], BookFormat::VERSION);
    }

    /** @param array<int, Step> $steps by the version each starts from */
    public static function of(array $steps): self
    {
        return new self($steps, 1 + (int) max([0, ...array_keys($steps)]));
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return array<string, mixed>
     */
    public function object(int $version, Kind $kind, array $fields): array
    {
        if ($version >= $this->to) {
            return $fields;
        }
        $evolved = $this->walk($version, $kind, '', $fields);

        return is_array($evolved) ? array_filter($evolved, is_string(...), ARRAY_FILTER_USE_KEY) : $fields;
    }

    /** @param mixed $operations a list of them as a revision or a draft keeps it */
    public function operations(int $version, mixed $operations): mixed
    {
        if ($version >= $this->to || ! is_array($operations)) {
            return $operations;
        }
        $evolved = array_map(
            fn (mixed $each): mixed => is_array($each) ? $this->operation($version, $each) : $each,
            $operations,
        );

        // What was done to a field that is none any more is nothing.
        return array_values(array_filter($evolved, static fn (mixed $each): bool => $each !== null));
    }

    /**
     * @param  array<mixed>  $operation
     * @return ?array<mixed> null of a field that is none any more
     */
    private function operation(int $version, array $operation): ?array
    {
        $object = $operation['object'] ?? null;
        $kind = is_string($object) ? Kind::tryFrom(explode(':', $object, 2)[0]) : null;
        $path = $operation['path'] ?? '';
        if ($kind === null || ! is_string($path)) {
            return $operation;
        }
        foreach (['before', 'after'] as $side) {
            // A list's order is told by its items, which no step names.
            if (array_key_exists($side, $operation) && ($operation['op'] ?? null) !== 'move') {
                $operation[$side] = $this->walk($version, $kind, $path, $operation[$side]);
            }
        }

        $now = $this->path($version, $kind, $path);

        return match (true) {
            $now === null => null,
            $path === '' => $operation,
            default => ['path' => $now] + $operation,
        };
    }

    /** What a path of the older version is called now; null where it is no field any more. */
    public function path(int $version, Kind $kind, string $path): ?string
    {
        for ($from = $version; $from < $this->to; $from++) {
            $step = $this->steps[$from] ?? null;
            $path = $step?->concerns($kind) === true ? self::renamed($step, $kind, $path) : $path;
            if ($path === null) {
                return null;
            }
        }

        return $path;
    }

    /** @param string $path of the value in its object, in the older version; '' for the object itself */
    private function walk(int $version, Kind $kind, string $path, mixed $value): mixed
    {
        for ($from = $version; $from < $this->to; $from++) {
            $step = $this->steps[$from] ?? null;
            if ($step?->concerns($kind) === true) {
                $value = self::through($step, $kind, $path, $value);
                $path = self::renamed($step, $kind, $path) ?? $path;
            }
        }

        return $value;
    }

    private static function through(Step $step, Kind $kind, string $path, mixed $value): mixed
    {
        if (! is_array($value)) {
            return $step->value($kind, $path, $value);
        }
        $evolved = [];
        foreach ($value as $name => $each) {
            $item = is_array($each) && is_string($each['item'] ?? null) ? $each['item'] : null;
            $inner = ltrim("{$path}/" . ($item ?? $name), '/');
            $isItem = array_is_list($value);
            // A digit that names a key of a menu is a number to PHP: it is no place in a list for that.
            $called = $isItem ? $name : $step->name($kind, $inner);
            if ($called !== null) {
                $evolved[$called] = self::through($step, $kind, $isItem && $item === null ? $path : $inner, $each);
            }
        }

        return $evolved;
    }

    private static function renamed(Step $step, Kind $kind, string $path): ?string
    {
        $now = [];
        $before = '';
        foreach ($path === '' ? [] : explode('/', $path) as $each) {
            $before = ltrim("{$before}/{$each}", '/');
            $now[] = $called = $step->name($kind, $before);
            if ($called === null) {
                return null;
            }
        }

        return implode('/', $now);
    }
}
