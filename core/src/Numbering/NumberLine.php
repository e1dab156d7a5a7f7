<?php

declare(strict_types=1);

namespace Jaunty\Core\Numbering;

/** One line of a list of numbers: what it was read as, or why it cannot be read. */
final readonly class NumberLine
{
    /** @param list<E164> $numbers */
    private function __construct(public string $typed, public array $numbers, public ?string $fault)
    {
    }

    /** @param list<E164> $numbers */
    public static function of(string $typed, array $numbers): self
    {
        return new self($typed, $numbers, null);
    }

    public static function refused(string $typed, string $why): self
    {
        return new self($typed, [], $why);
    }
}
