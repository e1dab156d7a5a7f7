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

    /**
     * Messages of one family, such as the parts of an address.
     *
     * @param  string  $family  what their ids begin with
     * @param  array<string>  $which
     */
    public static function ofMessages(string $family, array $which): self
    {
        return self::of(array_map(static fn (string $each): Message => new Message("{$family}/{$each}"), $which));
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
