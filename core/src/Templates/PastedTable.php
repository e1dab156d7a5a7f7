<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

/**
 * A block pasted from a spreadsheet, a mail or a CSV file, as rows of a table's columns. Headings are matched by name;
 * where there are none, a column is what its cells look like.
 */
final readonly class PastedTable
{
    /**
     * @param  list<?string>  $columns  column keys in the order of the block; null for what is not asked
     * @param  list<string>  $unmatched  headings that no column is called
     * @param  list<array<string, string>>  $rows  by column key
     */
    private function __construct(public array $columns, public array $unmatched, public array $rows)
    {
    }

    public static function read(string $text, Slot $slot): self
    {
        $lines = self::cells($text);
        if ($lines === []) {
            return new self([], [], []);
        }
        $heads = array_map(static fn (string $cell): ?string => self::called($cell, $slot), $lines[0]);
        $isHeaded = count(array_filter($heads, is_string(...))) * 2 >= count(
            array_filter($lines[0], static fn (string $cell): bool => $cell !== ''),
        )
            && array_filter($heads, is_string(...)) !== [];
        $columns = $isHeaded ? $heads : self::guessed($lines, $slot);
        $unmatched = [];
        foreach ($isHeaded ? array_shift($lines) : [] as $place => $head) {
            if ($columns[$place] === null && $head !== '') {
                $unmatched[] = $head;
            }
        }

        return new self($columns, $unmatched, array_map(
            static fn (array $cells): array => self::row($cells, $columns),
            $lines,
        ));
    }

    /** @return list<list<string>> cells by line; empty lines are left out */
    private static function cells(string $text): array
    {
        $text = str_replace(["\r\n", "\r"], "\n", trim($text, "\r\n"));
        $first = strtok($text, "\n");
        $between = match (true) {
            $first === false => ',',
            str_contains($text, "\t") => "\t",
            // Commas stand in names and teams as well.
            str_contains($first, ';') && substr_count($first, ';') >= substr_count($first, ',') => ';',
            str_contains($first, ',') && preg_match('/\S {2,}\S/', $first) !== 1 => ',',
            default => '  ',
        };
        $lines = [];
        if ($between === '  ') {
            // Columns held apart by spaces, as in a mail.
            foreach (explode("\n", $text) as $line) {
                $lines[] = explode("\t", (string) preg_replace('/ {2,}/', "\t", trim($line)));
            }
        } else {
            $handle = fopen('php://memory', 'r+b');
            if ($handle === false) {
                throw new \LogicException('memory cannot be opened');
            }
            fwrite($handle, $text);
            rewind($handle);
            while (($cells = fgetcsv($handle, separator: $between, escape: '')) !== false) {
                $lines[] = array_map(strval(...), $cells);
            }
            fclose($handle);
        }
        $trimmed = array_map(static fn (array $cells): array => array_map(trim(...), array_values($cells)), $lines);

        return array_values(array_filter($trimmed, static fn (array $cells): bool => implode('', $cells) !== ''));
    }

    private static function called(string $head, Slot $slot): ?string
    {
        $plain = self::plain($head);
        foreach ($slot->columns as $column) {
            if ($plain !== '' && in_array(
                $plain,
                array_map(self::plain(...), [$column->key, $column->question, ...$column->alsoCalled]),
                true,
            )) {
                return $column->key;
            }
        }

        // A name in two columns: the person's column takes both.
        $person = self::person($slot);

        return match (true) {
            $person === null => null,
            preg_match(
                '/^(?:sur|family|last)name(?:first|given|fore)(?:name)?s?$|^name(?:last|surname)first(?:name)?$/',
                $plain,
            ) === 1 => $person,
            in_array($plain, ['first', 'firstname', 'givenname', 'forename'], true) => "{$person}.first",
            in_array($plain, ['last', 'lastname', 'surname', 'familyname'], true) => "{$person}.last",
            default => null,
        };
    }

    private static function plain(string $head): string
    {
        return (string) preg_replace('/[^\p{L}\p{N}]+/u', '', mb_strtolower($head));
    }

    private static function person(Slot $slot): ?string
    {
        foreach ($slot->columns as $column) {
            if ($column->type === SlotType::Person) {
                return $column->key;
            }
        }

        return null;
    }

    /**
     * @param  non-empty-list<list<string>>  $lines
     * @return list<?string>
     */
    private static function guessed(array $lines, Slot $slot): array
    {
        $left = $slot->columns;
        $columns = [];
        for ($place = 0, $width = max(array_map(count(...), $lines)); $place < $width; $place++) {
            $cells = array_filter(
                array_map(static fn (array $line): string => $line[$place] ?? '', $lines),
                static fn (string $cell): bool => $cell !== '',
            );
            $columns[$place] = null;
            foreach ($left as $index => $column) {
                $like = array_filter($cells, $column->type->looksLike(...));
                if ($cells !== [] && count($like) * 2 > count($cells)) {
                    $columns[$place] = $column->key;
                    unset($left[$index]);
                    break;
                }
            }
        }

        return array_values($columns);
    }

    /**
     * @param  list<string>  $cells
     * @param  list<?string>  $columns
     * @return array<string, string>
     */
    private static function row(array $cells, array $columns): array
    {
        $row = [];
        foreach ($columns as $place => $column) {
            if ($column === null || ($cells[$place] ?? '') === '') {
                continue;
            }
            [$key, $half] = explode('.', $column, 2) + [1 => ''];
            $row[$key] = match ($half) {
                'first' => trim($cells[$place] . ' ' . ($row[$key] ?? '')),
                'last' => trim(($row[$key] ?? '') . ' ' . $cells[$place]),
                default => $cells[$place],
            };
        }

        return $row;
    }
}
