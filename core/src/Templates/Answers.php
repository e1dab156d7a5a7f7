<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

/** What a customer said, checked against a template's slots. */
final readonly class Answers
{
    /**
     * @param  array<string, mixed>  $parts  by slot
     * @param  array<string, string>  $faults  by slot; of a cell by slot, row and column (`users/3/extension`)
     * @param  array<string, string>  $readAs  how an answer was understood, by slot or cell (`sites/0/hours`), where
     *     that can be in doubt
     * @param  list<string>  $asked  slots whose question is asked, given the other answers
     * @param  array<string, list<array<string, string>>>  $rows  of tables, by slot, as they were taken in
     */
    private function __construct(
        public Said $said,
        private array $parts,
        public array $faults,
        public array $readAs,
        public array $asked,
        public array $rows,
    ) {
    }

    /**
     * @param  array<string, mixed>  $given  by slot key: text; of a table rows by column key, or a block as pasted
     */
    public static function read(Template $template, array $given, Circumstances $circumstances): self
    {
        $parts = [];
        $faults = [];
        $readAs = [];
        $taken = [];
        $tables = [];
        $asked = [];
        // Regions first: they say whose form of telephone number is meant.
        $slots = $template->slots;
        usort(
            $slots,
            static fn (Slot $a, Slot $b): int => ($b->type === SlotType::Region) <=> ($a->type === SlotType::Region),
        );
        foreach ($slots as $slot) {
            $parts[$slot->key] = null;
        }
        foreach ($slots as $slot) {
            $reader = new AnswerReader($circumstances, $tables);
            if ($slot->when !== null && ! $slot->when->holds(new Said($parts), "slots.{$slot->key}.when")) {
                continue;
            }
            $asked[] = $slot->key;
            if ($slot->type === SlotType::Table) {
                $taken[$slot->key] = self::rows($slot, $given[$slot->key] ?? []);
                [$tables[$slot->key], $wrong] = TableReader::read($slot, $taken[$slot->key], $reader);
                $parts[$slot->key] = $tables[$slot->key];
                foreach ($wrong as $cell => $fault) {
                    $faults[rtrim("{$slot->key}/{$cell}", '/')] = $fault;
                }
                foreach ($tables[$slot->key] as $index => $row) {
                    foreach ($row as $column => $cell) {
                        if (is_array($cell) && is_string($cell['readAs'] ?? null)) {
                            $readAs["{$slot->key}/{$index}/{$column}"] = $cell['readAs'];
                        }
                    }
                }

                continue;
            }
            try {
                $answer = $given[$slot->key] ?? '';
                $parts[$slot->key] = $reader->read(
                    $slot,
                    is_scalar($answer)
                        ? (is_bool($answer) ? ($answer ? 'yes' : 'no') : (string) $answer)
                        : throw new UnusableAnswer('one answer, please, and no list'),
                );
            } catch (UnusableAnswer $fault) {
                $faults[$slot->key] = $fault->getMessage();
            }
            if ($slot->type === SlotType::Region && is_string($parts[$slot->key]['country'] ?? null)) {
                $circumstances = $circumstances->in($parts[$slot->key]['country']);
            }
            if ($slot->type === SlotType::Number && is_string($parts[$slot->key]['value'] ?? null)) {
                $circumstances = $circumstances->withMain($parts[$slot->key]['value']);
            }
            if (is_string($parts[$slot->key]['readAs'] ?? null)) {
                $readAs[$slot->key] = $parts[$slot->key]['readAs'];
            }
        }

        return new self(
            new Said($parts, self::extensions($template, $parts)),
            $parts,
            $faults,
            $readAs,
            $asked,
            $taken,
        );
    }

    /**
     * As read, where nothing is at fault.
     *
     * @param  array<string, mixed>  $given
     *
     * @throws UnusableAnswers with every fault at once
     */
    public static function check(Template $template, array $given, Circumstances $circumstances): self
    {
        $answers = self::read($template, $given, $circumstances);
        if ($answers->faults !== []) {
            throw new UnusableAnswers($answers->faults);
        }

        return $answers;
    }

    /** @return list<string> numbers that are another carrier's still, in E.164 */
    public function comingOver(): array
    {
        $numbers = [];
        foreach ($this->parts as $part) {
            foreach (is_array($part) && array_is_list($part) ? $part : [[$part]] as $row) {
                foreach (is_array($row) ? $row : [] as $cell) {
                    $comesOver = is_array($cell) && ($cell['comesOver'] ?? false) === true;
                    if ($comesOver && is_string($cell['value'] ?? null)) {
                        $numbers[] = $cell['value'];
                    }
                }
            }
        }

        return $numbers;
    }

    /**
     * The answers given, less those at some places.
     *
     * @param  array<string, mixed>  $given
     * @param  list<string>  $places  slots, or slots with row and column
     * @param  bool  $wholeRows  leaves out the row of a cell as well
     * @return array<string, mixed>
     */
    public function without(array $given, array $places, bool $wholeRows): array
    {
        $left = $this->rows + $given;
        foreach ($places as $place) {
            $parts = explode('/', $place);
            $rows = $left[$parts[0]] ?? null;
            if (! isset($parts[1]) || ! is_array($rows)) {
                unset($left[$parts[0]]);

                continue;
            }
            $row = $rows[(int) $parts[1]] ?? null;
            if ($wholeRows || ! isset($parts[2]) || ! is_array($row)) {
                unset($rows[(int) $parts[1]]);
            } else {
                $rows[(int) $parts[1]] = array_diff_key($row, [$parts[2] => true]);
            }
            $left[$parts[0]] = $rows;
        }

        return array_map(
            static fn (mixed $answer): mixed => is_array($answer) ? array_values($answer) : $answer,
            $left,
        );
    }

    /**
     * The answers as they are kept: of tables the rows, however they came, each with its key.
     *
     * @param  array<string, mixed>  $given
     * @return array<string, mixed>
     */
    public function kept(array $given): array
    {
        $rows = [];
        $shown = $this->shown();
        foreach ($this->rows as $slot => $table) {
            foreach ($table as $index => $row) {
                $read = is_array($this->parts[$slot] ?? null) ? $this->parts[$slot][$index] ?? null : null;
                $said = array_filter($row, static fn (string $cell): bool => $cell !== '');
                // An extension that was given stays, whoever comes into the list before.
                $rows[$slot][$index] = (
                    is_array($read) && is_string($read['key'] ?? null) ? [TableReader::ID => $read['key']] : []
                )
                    + $said
                    + ($shown[$slot][$index] ?? []);
            }
        }

        return array_filter(
            $rows + array_intersect_key($given, $this->parts),
            static fn (mixed $answer): bool => $answer !== '' && $answer !== null,
        );
    }

    /**
     * The rows of tables as they were understood, with what was left out and given: text by column key.
     *
     * @return array<string, list<array<string, string>>>
     */
    public function shown(): array
    {
        $shown = $this->rows;
        foreach ($shown as $slot => $rows) {
            $read = is_array($this->parts[$slot] ?? null) ? $this->parts[$slot] : [];
            foreach ($rows as $index => $row) {
                foreach (is_array($read[$index] ?? null) ? $read[$index] : [] as $column => $cell) {
                    if (is_array($cell) && is_string($cell['value'] ?? null)) {
                        $shown[$slot][$index][(string) $column] = $cell['value'];
                    }
                }
            }
        }

        return $shown;
    }

    /** Which answer a number or an extension came by: a slot, or a cell of a table. */
    public function placeOf(string $number): ?string
    {
        foreach ($this->parts as $slot => $part) {
            foreach (is_array($part) && array_is_list($part) ? $part : [] as $index => $row) {
                foreach (is_array($row) ? $row : [] as $column => $cell) {
                    if (is_array($cell) && ($cell['value'] ?? null) === $number) {
                        return "{$slot}/{$index}/{$column}";
                    }
                }
            }
            if (is_array($part) && ($part['value'] ?? null) === $number) {
                return $slot;
            }
        }

        return null;
    }

    /**
     * @param  array<string, mixed>  $parts
     * @return list<string>
     */
    private static function extensions(Template $template, array $parts): array
    {
        $extensions = [];
        foreach ($template->slots as $slot) {
            $rows = $slot->type === SlotType::Table && is_array($parts[$slot->key])
                ? $parts[$slot->key]
                : [[$slot->key => $parts[$slot->key]]];
            foreach ($slot->type === SlotType::Table ? $slot->columns : [$slot] as $column) {
                foreach ($column->type === SlotType::Extension ? $rows : [] as $row) {
                    $value = is_array($row) && is_array($row[$column->key] ?? null)
                        ? $row[$column->key]['value'] ?? null
                        : null;
                    $extensions = is_string($value) ? [...$extensions, $value] : $extensions;
                }
            }
        }

        return $extensions;
    }

    /** @return list<array<string, string>> */
    private static function rows(Slot $slot, mixed $given): array
    {
        if (is_string($given)) {
            return PastedTable::read($given, $slot)->rows;
        }
        $rows = [];
        foreach (is_array($given) ? $given : [] as $row) {
            $cells = [];
            foreach (is_array($row) ? $row : [] as $column => $cell) {
                $cells[(string) $column] = is_scalar($cell) ? (string) $cell : '';
            }
            // A row of which nothing is said is one that somebody has not come to yet.
            if (trim(implode('', array_diff_key($cells, [TableReader::ID => true]))) !== '') {
                $rows[] = $cells;
            }
        }

        return $rows;
    }
}
