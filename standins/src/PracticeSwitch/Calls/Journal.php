<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

/** What happened in a call, second by second, and in which states it has been since a key was last pressed. */
final class Journal
{
    /** @var list<array{t: int, place: array<string, string>, what: string}> */
    private array $lines = [];

    /** @var array<string, true> */
    private array $states = [];

    public function note(int $second, Place $place, string $what): void
    {
        $this->lines[] = ['t' => $second, 'place' => $place->show(), 'what' => $what];
    }

    public function hasBeenIn(string $state): bool
    {
        return isset($this->states[$state]);
    }

    public function isIn(string $state): void
    {
        $this->states[$state] = true;
    }

    /** A caller who presses a key is not going round in circles. */
    public function forgetStates(): void
    {
        $this->states = [];
    }

    public function length(): int
    {
        return count($this->lines);
    }

    /** Takes back what was noted past a line for seconds after one. */
    public function cutAfter(int $length, int $second): void
    {
        $later = array_filter(
            array_slice($this->lines, $length),
            static fn (array $line): bool => $line['t'] <= $second,
        );
        $this->lines = [...array_slice($this->lines, 0, $length), ...$later];
    }

    /** @return list<array{t: int, place: array<string, string>, what: string}> */
    public function lines(): array
    {
        return $this->lines;
    }
}
