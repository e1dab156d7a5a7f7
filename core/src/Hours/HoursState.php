<?php

declare(strict_types=1);

namespace Jaunty\Core\Hours;

/**
 * What a schedule says at an instant, for whoever asks no further. What it says in full is text, since a part of it is
 * the book's own: `open`, `closed`, `holiday`, `holiday:ITEM` or `period:ITEM`. A period is open, and a named holiday a
 * holiday, for whoever does not name it.
 */
enum HoursState: string
{
    case Open = 'open';

    case Closed = 'closed';

    case Holiday = 'holiday';

    /** @param string $said in full */
    public static function of(string $said): self
    {
        return match (true) {
            str_starts_with($said, 'period:') => self::Open,
            str_starts_with($said, 'holiday:') => self::Holiday,
            default => self::from($said),
        };
    }

    /**
     * @param  string  $said  in full
     * @param  list<string>  $named  what answers name; what nobody names is as its plain form
     */
    public static function asNamed(string $said, array $named): string
    {
        return in_array($said, $named, true) ? $said : self::of($said)->value;
    }
}
