<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

/**
 * A block pasted from a spreadsheet, a mail or a CSV file, as rows of a table's columns. Headings are matched by name;
 * where there are none, a column is what its cells look like; and where there are no columns, a line of a mail is read
 * for itself. What was not understood is named.
 */
final readonly class PastedTable
{
    /** Values of a column that is left out, as they are named. */
    private const MOST_NAMED = 3;

    private const TYPED = [SlotType::Mail, SlotType::Extension, SlotType::Phone, SlotType::Number];

    /** What headings of people's lists are made of (common practice), besides what a column says of itself. */
    private const HEADINGS = [
        'name' => '/^(?:full|employee|display|staff|contact|users?|persons?)?names?$'
            . '|^(?:employee|person|user|who|staff|nom|nomcomplet|people)$/',
        'extension' => '/^(?:ext|extn|extension|poste|local|shortdial)(?:no|number|numéro)?$/',
        'mail' => '/mail|courriel/',
        'mobile' => '/^(?:work|business|personal|company)?(?:cell|mobile|mob|cellulaire|portable)'
            . '(?:ular|phone|no|number)*$/',
        'direct' => '/^(?:direct|did|ddi|lignedirecte)(?:line|dial|no|number|phone|inward|in)*$/',
        'teams' => '/^(?:teams?|departments?|dept|groups?|huntgroups?|worksin|service|équipe|département)$/',
    ];

    /**
     * @param  list<?string>  $columns  column keys in the order of the block; null for what is not asked; empty where
     *     each line was read for itself
     * @param  list<string>  $unmatched  headings that no column is called, and what was found and not understood
     * @param  list<array<string, string>>  $rows  by column key
     */
    private function __construct(public array $columns, public array $unmatched, public array $rows)
    {
    }

    /** @param list<string> $teams that are known to be some already */
    public static function read(string $text, Slot $slot, array $teams = []): self
    {
        [$lines, $isAligned] = self::cells($text);
        if ($lines === []) {
            return new self([], [], []);
        }
        $heads = array_map(static fn (string $cell): ?string => self::called($cell, $slot), $lines[0]);
        $isHeaded = count(array_filter($heads, is_string(...))) * 2 >= count(
            array_filter($lines[0], static fn (string $cell): bool => $cell !== ''),
        )
            && array_filter($heads, is_string(...)) !== [];
        if ($isHeaded) {
            return self::headed($lines, $heads, $slot, $isAligned);
        }
        [$columns, $left] = self::guessed($lines, $slot, $teams);

        return self::person($slot) !== null && self::isLoose($lines, $columns, $slot, $isAligned)
            ? self::loose($text, $slot, $teams)
            : new self($columns, $left, self::rows($lines, $columns));
    }

    /**
     * @param  non-empty-list<list<string>>  $lines
     * @param  list<?string>  $columns
     */
    private static function headed(array $lines, array $columns, Slot $slot, bool $isAligned): self
    {
        $unmatched = [];
        foreach (array_shift($lines) as $place => $head) {
            if ($columns[$place] === null && $head !== '') {
                $unmatched[] = $head;
            }
        }
        if ($isAligned) {
            $lines = array_map(static fn (array $cells): array => self::aligned($cells, $columns, $slot), $lines);
        }

        return new self($columns, $unmatched, self::rows($lines, $columns));
    }

    /**
     * Cells held apart by spaces, each under the next heading it can be of: an empty one leaves no trace there.
     *
     * @param  list<string>  $cells
     * @param  list<?string>  $columns
     * @return list<string>
     */
    private static function aligned(array $cells, array $columns, Slot $slot): array
    {
        if (count($cells) >= count($columns)) {
            return $cells;
        }
        $types = [];
        foreach ($slot->columns as $column) {
            $types[$column->key] = $column->type;
        }
        $placed = array_fill(0, count($columns), '');
        $next = 0;
        foreach ($cells as $cell) {
            $place = min($next, count($columns) - 1);
            foreach (array_slice($columns, $next, null, true) as $at => $column) {
                $type = $types[explode('.', $column ?? '')[0]] ?? null;
                if ($type === null || $type->looksLike($cell)) {
                    $place = $at;
                    break;
                }
            }
            $placed[$place] = trim("{$placed[$place]} {$cell}");
            $next = $place + 1;
        }

        return array_values($placed);
    }

    /**
     * Whether the lines have no columns: cells that are two things, or that are not what their column is.
     *
     * @param  list<list<string>>  $lines
     * @param  list<?string>  $columns
     */
    private static function isLoose(array $lines, array $columns, Slot $slot, bool $isAligned): bool
    {
        $types = [];
        foreach ($slot->columns as $column) {
            $types[$column->key] = $column->type;
        }
        $widths = array_unique(array_map(count(...), $lines));
        foreach ($lines as $cells) {
            foreach ($cells as $place => $cell) {
                $type = $types[explode('.', $columns[$place] ?? '')[0]] ?? null;
                $isTyped = in_array($type, self::TYPED, true);
                if (
                    $cell !== '' && (
                        // A telephone is judged by whoever reads it; what is none at all is another column's.
                        $isTyped && ! $type->looksLike($cell) && preg_match('/^[\d\s+().x-]+$/iD', $cell) !== 1
                        || ! $isTyped && (str_contains($cell, '@') || preg_match('/\d{3}/', $cell) === 1)
                        || preg_match('/\S\s+\S+@|<|^[-*•]\s|\bext\b|\bx\s?\d{2,6}\b/iu', $cell) === 1
                    )
                ) {
                    return true;
                }
            }
        }

        return $isAligned && count($widths) > 1;
    }

    /** @param list<string> $teams */
    private static function loose(string $text, Slot $slot, array $teams): self
    {
        $keys = ['name' => self::person($slot)];
        foreach ($slot->columns as $column) {
            $for = match ($column->type) {
                SlotType::Extension => 'extension',
                SlotType::Mail => 'mail',
                SlotType::Phone => 'mobile',
                SlotType::Number => 'direct',
                SlotType::Teams => 'teams',
                default => null,
            };
            if ($for !== null) {
                $keys[$for] ??= $column->key;
            }
        }
        $read = [];
        $unmatched = [];
        foreach (explode("\n", str_replace(["\r\n", "\r"], "\n", $text)) as $no => $line) {
            $person = LooseLine::read($line);
            $isReached = ($person->extension ?? $person->mail ?? $person->mobile ?? $person->direct) !== null;
            if ($person->name !== '' && $isReached) {
                $read[] = $person;
            } elseif (trim($line) !== '') {
                // A greeting, a heading, a line under the names.
                $unmatched[] = 'line ' . ($no + 1) . ': “' . mb_strimwidth(trim($line), 0, 60, '…') . '”';
            }
        }
        $rows = [];
        $known = self::teamsIn(array_merge(...array_map(
            static fn (LooseLine $person): array => $person->words,
            $read,
        )), $teams);
        foreach ($read as $person) {
            $row = [];
            foreach (['name', 'extension', 'mail', 'mobile', 'direct'] as $for) {
                if ($person->{$for} !== null && isset($keys[$for])) {
                    $row[$keys[$for]] = $person->{$for};
                } elseif ($person->{$for} !== null) {
                    $person->words[] = $person->{$for};
                }
            }
            $in = isset($keys['teams'])
                ? array_filter($person->words, static fn (string $word): bool => isset($known[mb_strtolower($word)]))
                : [];
            if ($in !== []) {
                $row[$keys['teams'] ?? ''] = implode(', ', $in);
            }
            $other = array_diff($person->words, $in);
            if ($other !== []) {
                $unmatched[] = "of {$person->name}: “" . implode('”, “', $other) . '”';
            }
            $rows[] = $row;
        }

        return new self([], $unmatched, $rows);
    }

    /**
     * @param  list<string>  $words
     * @param  list<string>  $teams
     * @return array<string, true> those that are teams, in small letters: known ones, and what several people have and
     *     is no title
     */
    private static function teamsIn(array $words, array $teams): array
    {
        $counts = array_count_values(array_map(mb_strtolower(...), $words));
        $found = array_fill_keys(array_map(mb_strtolower(...), $teams), true);
        foreach ($counts as $word => $count) {
            $word = (string) $word;
            if ($count > 1 && ! JobTitles::has($word) && preg_match('/\d{3}|@/', $word) !== 1) {
                $found[$word] = true;
            }
        }

        return $found;
    }

    /**
     * @return array{list<list<string>>, bool} cells by line, empty lines left out, and whether spaces hold them apart
     */
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

        return [
            array_values(array_filter($trimmed, static fn (array $cells): bool => implode('', $cells) !== '')),
            $between === '  ',
        ];
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
        foreach ($slot->columns as $column) {
            $heading = self::HEADINGS[match ($column->type) {
                SlotType::Person => 'name',
                SlotType::Extension => 'extension',
                SlotType::Mail => 'mail',
                SlotType::Phone => 'mobile',
                SlotType::Number => 'direct',
                SlotType::Teams => 'teams',
                default => '',
            }] ?? null;
            if ($person !== null && $heading !== null && preg_match("{$heading}u", $plain) === 1) {
                return $column->key;
            }
        }

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
     * @param  list<string>  $teams
     * @return array{list<?string>, list<string>} the columns, and of those that are none what stands in them
     */
    private static function guessed(array $lines, Slot $slot, array $teams): array
    {
        $free = $slot->columns;
        [$columns, $left] = [[], []];
        for ($place = 0, $width = max(array_map(count(...), $lines)); $place < $width; $place++) {
            $cells = array_values(array_filter(
                array_map(static fn (array $line): string => $line[$place] ?? '', $lines),
                static fn (string $cell): bool => $cell !== '',
            ));
            $columns[$place] = null;
            foreach ($free as $index => $column) {
                $like = array_filter($cells, $column->type->looksLike(...));
                $isTitle = $column->type === SlotType::Teams
                    && array_diff(array_map(mb_strtolower(...), $cells), array_map(mb_strtolower(...), $teams)) !== []
                    && JobTitles::are($cells);
                if ($cells !== [] && count($like) * 2 > count($cells) && ! $isTitle) {
                    $columns[$place] = $column->key;
                    unset($free[$index]);
                    break;
                }
            }
            if ($columns[$place] === null && $cells !== []) {
                $left[] = '“' . implode('”, “', array_slice(array_unique($cells), 0, self::MOST_NAMED)) . '”'
                    . (count(array_unique($cells)) > self::MOST_NAMED ? ' …' : '');
            }
        }

        return [self::withNames(array_values($columns), $lines, $slot), $left];
    }

    /**
     * A first column of single words and another beside it are one name in two columns; the mail says which is which.
     *
     * @param  list<?string>  $columns
     * @param  non-empty-list<list<string>>  $lines
     * @return list<?string>
     */
    private static function withNames(array $columns, array $lines, Slot $slot): array
    {
        $person = self::person($slot);
        $at = $person === null ? false : array_search($person, $columns, true);
        if ($at === false || ! array_key_exists($at + 1, $columns)) {
            return $columns;
        }
        $isWord = static fn (string $cell): bool => preg_match('/^[\p{L}\'.-]+(?: [\p{L}\'.-]+)?,?$/uD', $cell) === 1;
        $after = array_column($lines, $at + 1);
        $pairs = array_filter($lines, static fn (array $cells): bool => $isWord($cells[$at] ?? '')
            && ! str_contains($cells[$at], ' ') && $isWord($cells[$at + 1] ?? ''));
        $isTeam = count(array_unique(array_map(mb_strtolower(...), $after))) * 2 <= count($after) && count($after) > 1;
        if (count($pairs) < count($lines) || $isTeam || JobTitles::are($after)) {
            return $columns;
        }
        $mail = null;
        foreach ($slot->columns as $column) {
            $mail ??= $column->type === SlotType::Mail ? array_search($column->key, $columns, true) : null;
        }
        $turned = 0;
        foreach ($lines as $cells) {
            $local = mb_strtolower(explode('@', is_int($mail) ? $cells[$mail] ?? '' : '')[0]);
            [$one, $two] = [mb_strtolower(trim($cells[$at], ',')), mb_strtolower($cells[$at + 1])];
            $turned += match (true) {
                str_ends_with($cells[$at], ',') => 1,
                $local === '' => 0,
                str_starts_with($local, $two) || str_ends_with($local, $one) && ! str_starts_with($local, $one) => 1,
                default => -1,
            };
        }
        [$columns[$at], $columns[$at + 1]] = $turned > 0
            ? ["{$person}.last", "{$person}.first"]
            : ["{$person}.first", "{$person}.last"];

        return array_values($columns);
    }

    /**
     * @param  list<list<string>>  $lines
     * @param  list<?string>  $columns
     * @return list<array<string, string>>
     */
    private static function rows(array $lines, array $columns): array
    {
        return array_map(static fn (array $cells): array => self::row($cells, $columns), $lines);
    }

    /**
     * @param  list<string>  $cells
     * @param  list<?string>  $columns
     * @return array<string, string>
     */
    private static function row(array $cells, array $columns): array
    {
        $row = [];
        $halves = [];
        foreach ($columns as $place => $column) {
            if ($column === null || ($cells[$place] ?? '') === '') {
                continue;
            }
            [$key, $half] = explode('.', $column, 2) + [1 => ''];
            if ($half !== '') {
                $halves[$key][$half] = trim($cells[$place], ' ,');
                $row[$key] = self::joined($halves[$key]);
            } else {
                $row[$key] = $cells[$place];
            }
        }

        return $row;
    }

    /**
     * @param  array<string, string>  $halves  of a name
     * @return string as it is spoken, unless that would be taken apart otherwise
     */
    private static function joined(array $halves): string
    {
        $spoken = trim(($halves['first'] ?? '') . ' ' . ($halves['last'] ?? ''));
        $name = PersonName::of($spoken);

        return count($halves) === 2 && [$name->first, $name->last] !== [$halves['first'], $halves['last']]
            ? "{$halves['last']}, {$halves['first']}"
            : $spoken;
    }
}
