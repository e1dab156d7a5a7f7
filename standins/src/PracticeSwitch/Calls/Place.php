<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

/**
 * Where a call can be: a record under its word (`{"box": id}`), digits outside (`{"dial": digits}`), or something to do
 * (`{"act": word}`).
 */
final readonly class Place
{
    public function __construct(public string $word, public string $id)
    {
    }

    public static function of(mixed $value): ?self
    {
        $word = is_array($value) ? array_key_first($value) : null;
        $id = is_array($value) && $word !== null ? $value[$word] : null;

        return is_string($word) && is_string($id) ? new self($word, $id) : null;
    }

    public static function person(string $id): self
    {
        return new self('person', $id);
    }

    public static function dial(string $digits): self
    {
        return new self('dial', $digits);
    }

    public function is(string ...$words): bool
    {
        return in_array($this->word, $words, true);
    }

    public function acts(string ...$acts): bool
    {
        return $this->word === 'act' && in_array($this->id, $acts, true);
    }

    public function equals(self $other): bool
    {
        return $this->word === $other->word && $this->id === $other->id;
    }

    /** @return array<string, string> */
    public function show(): array
    {
        return [$this->word => $this->id];
    }
}
