<?php

declare(strict_types=1);

namespace Jaunty\Core\Hours;

/**
 * What a schedule says at an instant, as text: `open`, `closed`, `holiday`, `holiday:ITEM` or `period:ITEM`. A period
 * is open, and a named holiday a holiday, for whoever does not name it.
 */
final class State
{
    public const OPEN = 'open';

    public const CLOSED = 'closed';

    public const HOLIDAY = 'holiday';

    /** open, closed or holiday */
    public static function plain(string $state): string
    {
        return match (true) {
            str_starts_with($state, 'period:') => self::OPEN,
            str_starts_with($state, 'holiday:') => self::HOLIDAY,
            default => $state,
        };
    }

    /** @param list<string> $named the states that answers name; what nobody names is as its plain form */
    public static function asNamed(string $state, array $named): string
    {
        return in_array($state, $named, true) ? $state : self::plain($state);
    }
}
