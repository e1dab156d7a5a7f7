<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

/** A record's body, or a piece of one, read field by field: what is not there, or is of another shape, is unset. */
final readonly class Part
{
    /** @param array<mixed> $fields */
    public function __construct(private array $fields)
    {
    }

    public function text(string $field): ?string
    {
        $value = $this->fields[$field] ?? null;

        return is_string($value) && $value !== '' ? $value : null;
    }

    public function count(string $field): ?int
    {
        $value = $this->fields[$field] ?? null;

        return is_int($value) ? $value : null;
    }

    /** A length of time in whole seconds, of which a part counts as one: files are measured in thousandths. */
    public function wholeSeconds(string $field): int
    {
        $value = $this->fields[$field] ?? null;

        return is_int($value) || is_float($value) ? (int) ceil($value) : 0;
    }

    public function number(string $field, int $otherwise = 0): int
    {
        return $this->count($field) ?? $otherwise;
    }

    public function yes(string $field, bool $otherwise = false): bool
    {
        $value = $this->fields[$field] ?? null;

        return $value === null ? $otherwise : $value === 1;
    }

    public function place(string $field): ?Place
    {
        return Place::of($this->fields[$field] ?? null);
    }

    /** Tenths of a second as seconds. */
    public function seconds(string $field): ?int
    {
        $tenths = $this->count($field);

        return $tenths === null ? null : intdiv($tenths, 10);
    }

    public function part(string $field): ?self
    {
        $value = $this->fields[$field] ?? null;

        return is_array($value) ? new self($value) : null;
    }

    /** @return list<self> */
    public function parts(string $field): array
    {
        $value = $this->fields[$field] ?? null;

        return array_map(static fn (array $inner): self => new self($inner), array_values(
            array_filter(is_array($value) ? $value : [], is_array(...)),
        ));
    }

    /** @return ?list<string> null where the field holds no list */
    public function texts(string $field): ?array
    {
        $value = $this->fields[$field] ?? null;

        return is_array($value) ? array_values(array_filter($value, is_string(...))) : null;
    }

    /** @return list<int> */
    public function numbers(string $field): array
    {
        $value = $this->fields[$field] ?? null;

        return array_values(array_filter(is_array($value) ? $value : [], is_int(...)));
    }

    /** @return list<Place> */
    public function places(string $field): array
    {
        $value = $this->fields[$field] ?? null;

        return array_values(array_filter(array_map(Place::of(...), is_array($value) ? $value : [])));
    }
}
