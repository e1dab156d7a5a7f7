<?php

declare(strict_types=1);

namespace Jaunty\Core\Words;

/** Several things, the first few of many, before a language joins them. */
final readonly class Listing
{
    /**
     * @param  list<string|int|Message>  $all  what is named
     * @param  int  $more  are not named
     * @param  string  $joint  of the last two: `and`, `or`, or `,` for a bare row
     */
    private function __construct(public array $all, public int $more, public string $joint)
    {
    }

    /** @param array<string|int|Message> $all */
    public static function of(array $all): self
    {
        return new self(array_values($all), 0, 'and');
    }

    /** @param array<string|int|Message> $all */
    public static function firstOf(array $all, int $most): self
    {
        $named = array_slice(array_values($all), 0, $most);

        return new self($named, count($all) - count($named), 'and');
    }

    /** @param array<string|int|Message> $all */
    public static function either(array $all): self
    {
        return new self(array_values($all), 0, 'or');
    }

    /** @param array<string|int|Message> $all */
    public static function row(array $all): self
    {
        return new self(array_values($all), 0, ',');
    }
}
