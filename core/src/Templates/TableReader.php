<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

use Jaunty\Core\Book\Node;

/** Reads the rows of a table, cell by cell; extensions left out are given, and no two rows are called alike. */
final class TableReader
{
    public const MOST_ROWS = 5000;

    /** The cell that holds a row's key where it has one already: somebody who marries stays who she is. */
    public const ID = 'id';

    /** Columns of what a spreadsheet takes for numbers. */
    private const DIGITS = [SlotType::Extension, SlotType::Phone, SlotType::Number];

    /** Before what a fault offers. */
    private const OFFERS = '; next free ';

    /** @var array<string, string> what is wrong, by row and column (`3/extension`) */
    private array $faults = [];

    /** @var array<string, string> who has an extension, by extension */
    private array $holders = [];

    /** @var array<string, true> */
    private array $keys = [];

    /** @var array<string, true> keys that rows had before */
    private array $kept = [];

    private function __construct(private readonly Slot $slot, private readonly AnswerReader $reader)
    {
    }

    /**
     * @param  list<array<string, string>>  $rows  by column key
     * @return array{list<array<string, mixed>>, array<string, string>} the rows that were read, and the faults by row
     *     and column
     */
    public static function read(Slot $slot, array $rows, AnswerReader $reader): array
    {
        $self = new self($slot, $reader);
        if (count($rows) > self::MOST_ROWS) {
            return [[], ['' => 'at most ' . self::MOST_ROWS . ' rows']];
        }
        $read = [];
        // Keys that rows have already are theirs; a namesake who comes later gets another.
        foreach ($rows as $row) {
            $self->kept[$row[self::ID] ?? ''] = true;
        }
        foreach ($rows as $index => $row) {
            foreach (
                array_diff(array_keys($row), [self::ID], array_map(
                    static fn (Slot $column): string => $column->key,
                    $slot->columns,
                )) as $unknown
            ) {
                $self->faults["{$index}/{$unknown}"] = 'there is no such column';
            }
            $read[$index] = $self->row($index, $row);
        }
        $self->checkNumbers($read);
        $given = $self->withExtensions($read);
        if ($given === [] && ! $slot->optional) {
            $self->faults[''] = 'at least one row is needed';
        }

        return [array_values($given), $self->faults];
    }

    /**
     * @param  array<string, string>  $row
     * @return array<string, mixed>
     */
    private function row(int $index, array $row): array
    {
        $read = [];
        $name = null;
        foreach ($this->slot->columns as $column) {
            $cell = $row[$column->key] ?? '';
            $isDigits = in_array($column->type, self::DIGITS, true);
            $spoilt = $isDigits ? SpoiltCell::why(trim($cell)) : null;
            try {
                if ($spoilt !== null) {
                    throw new UnusableAnswer($spoilt);
                }
                $read[$column->key] = $this->reader->read($column, $isDigits ? SpoiltCell::mended($cell) : $cell);
            } catch (UnusableAnswer $fault) {
                $read[$column->key] = null;
                $this->faults["{$index}/{$column->key}"] = $fault->getMessage();
            }
            $name ??= is_string($read[$column->key]['slug'] ?? null) ? $read[$column->key]['slug'] : null;
            if ($column->type === SlotType::Teams) {
                $read[$column->key] = $read[$column->key]['value'] ?? [];
            }
        }

        $id = $row[self::ID] ?? '';

        return [
            'key' => preg_match(Node::SLUG, $id) === 1 ? $this->key($id, true) : $this->key($name ?? 'row', false),
            'no' => $index + 1,
        ]
            + $read;
    }

    /** Two people of one name are called apart by a number: `ines-marsh`, `ines-marsh-2`. */
    private function key(string $slug, bool $isKept): string
    {
        $key = $slug;
        for ($n = 2; isset($this->keys[$key]) || (! $isKept && isset($this->kept[$key])); $n++) {
            $key = "{$slug}-{$n}";
        }
        $this->keys[$key] = true;

        return $key;
    }

    /**
     * @param  array<int, array<string, mixed>>  $rows
     * @return array<int, array<string, mixed>>
     */
    private function withExtensions(array $rows): array
    {
        foreach ($this->slot->columns as $column) {
            if ($column->type !== SlotType::Extension) {
                continue;
            }
            foreach ($rows as $index => $row) {
                $said = is_array($row[$column->key]) ? $row[$column->key]['value'] : null;
                if (is_string($said)) {
                    $this->hold($index, $column, $said, self::label($row));
                }
            }
            $from = $this->rangeBegins($rows, $column);
            foreach ($rows as $index => $row) {
                if ($row[$column->key] === null && ! isset($this->faults["{$index}/{$column->key}"])) {
                    $next = $this->nextFree($column, $from);
                    $this->holders[$next] = self::label($row);
                    $rows[$index][$column->key] = ['value' => $next];
                }
            }
        }

        return $rows;
    }

    /**
     * A number leads to one of them.
     *
     * @param  array<int, array<string, mixed>>  $rows
     */
    private function checkNumbers(array $rows): void
    {
        $given = [];
        foreach ($this->slot->columns as $column) {
            foreach ($column->type === SlotType::Number ? $rows : [] as $index => $row) {
                $number = is_array($row[$column->key]) ? $row[$column->key]['value'] ?? null : null;
                if (! is_string($number)) {
                    continue;
                }
                if (isset($given[$number])) {
                    $this->faults["{$index}/{$column->key}"] = "{$number} is given to {$given[$number]} above";
                }
                $given[$number] ??= self::label($row);
            }
        }
    }

    private function hold(int $index, Slot $column, string $extension, string $who): void
    {
        if (isset($this->holders[$extension])) {
            $this->faults["{$index}/{$column->key}"] = "{$extension} is {$this->holders[$extension]}'s"
                . self::OFFERS
                . $this->nextFree($column, (int) $extension);
        }
        $this->holders[$extension] ??= $who;
    }

    /** What a fault offers to be taken instead; null where it offers nothing. */
    public static function offerIn(string $fault): ?string
    {
        $offer = explode(self::OFFERS, $fault, 2)[1] ?? '';

        return ctype_digit($offer) ? $offer : null;
    }

    /**
     * Where extensions are given from: what the template says, unless most rows have one and so say where theirs begin.
     *
     * @param  array<int, array<string, mixed>>  $rows
     */
    private function rangeBegins(array $rows, Slot $column): int
    {
        $said = array_map(
            static fn (mixed $cell): int => is_array($cell) && is_string($cell['value'] ?? null)
                ? (int) $cell['value']
                : 0,
            array_column($rows, $column->key),
        );
        $said = array_filter($said, static fn (int $extension): bool => $extension > 0);

        return $said !== [] && count($said) * 2 > count($rows) ? min($said) : $column->least ?? 201;
    }

    private function nextFree(Slot $column, int $next): string
    {
        while (isset($this->holders[(string) $next]) || in_array((string) $next, $column->reserved, true)) {
            $next++;
        }

        return (string) $next;
    }

    /**
     * What a row is called: its first cell that names something.
     *
     * @param  array<string, mixed>  $row
     */
    public static function label(array $row): string
    {
        foreach ($row as $cell) {
            if (is_array($cell) && is_string($cell['slug'] ?? null) && is_string($cell['value'] ?? null)) {
                return $cell['value'];
            }
        }

        return 'row ' . (is_int($row['no']) ? $row['no'] : '');
    }
}
