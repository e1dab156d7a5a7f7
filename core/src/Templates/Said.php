<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

/** What can be named where a template is filled in: the answers, and inside a repetition the row it has come to. */
final readonly class Said
{
    /**
     * @param  array<string, mixed>  $parts  by slot; null for a question left open
     * @param  list<string>  $extensions  that answers name, so that nothing else is given them
     */
    public function __construct(private array $parts, private array $extensions = [])
    {
    }

    public function with(string $name, mixed $row): self
    {
        return new self([$name => $row] + $this->parts, $this->extensions);
    }

    public function namesExtension(string $extension): bool
    {
        return in_array($extension, $this->extensions, true);
    }

    /**
     * A part of an answer, such as `messages.slug`; the answer itself where no part is named.
     *
     * @throws UnusableTemplate when the slot or the part does not exist
     */
    public function part(string $name, string $path): mixed
    {
        $steps = explode('.', $name);
        $slot = (string) array_shift($steps);
        if (! array_key_exists($slot, $this->parts)) {
            throw UnusableTemplate::unknownSlot($path, $slot);
        }
        $value = $this->parts[$slot];
        foreach ($steps as $step) {
            if ($value === null) {
                return null;
            }
            if (! is_array($value) || ! array_key_exists($step, $value)) {
                throw UnusableTemplate::unknownPart($path, $slot, $step);
            }
            $value = $value[$step];
        }

        return is_array($value) && array_key_exists('value', $value) ? $value['value'] : $value;
    }

    /**
     * What a repetition goes over: the rows of a table, or each team its rows name, in the order they first come.
     *
     * @return list<array<string, mixed>>
     */
    public function rows(string $name, string $path): array
    {
        [$slot, $column] = explode('.', $name, 2) + [1 => ''];
        $answer = $this->part($slot, $path);
        $rows = [];
        foreach (is_array($answer) ? $answer : [] as $row) {
            $rows[] = array_filter(is_array($row) ? $row : [], is_string(...), ARRAY_FILTER_USE_KEY);
        }
        if ($column === '') {
            return $rows;
        }
        $distinct = [];
        foreach ($rows as $row) {
            foreach (is_array($row[$column] ?? null) ? $row[$column] : [] as $one) {
                if (is_array($one) && is_string($one['slug'] ?? null)) {
                    $distinct[$one['slug']] ??= [
                        'key' => $one['slug'], 'no' => count($distinct) + 1, 'slug' => $one['slug'],
                        'value' => $one['value'] ?? $one['slug'],
                    ];
                }
            }
        }

        return array_values($distinct);
    }
}
