<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** All a book ever says of a PIN; the PIN itself is a secret and stands in no book. */
enum PinStrength: string
{
    case Set = 'set';
    case Weak = 'weak';
    case None = 'none';

    private const SHORTEST = 6;

    /**
     * How strong a PIN is: too short, one digit over, a row up or down, a piece repeated, a date or the extension
     * itself is guessed first (common practice).
     */
    public static function of(string $pin, ?string $extension): self
    {
        $rows = '0123456789012345678909876543210987654321';
        $isWeak = strlen($pin) < self::SHORTEST
            || count(array_unique(str_split($pin))) < 3
            || str_contains($rows, $pin)
            || preg_match('/^(\d{2,})\1+$/D', $pin) === 1
            || preg_match('/^(?:19|20)\d\d(?:0[1-9]|1[0-2])?(?:0[1-9]|[12]\d|3[01])?$/D', $pin) === 1
            || ($extension !== null && strlen($extension) > 1 && str_contains($pin, $extension));

        return $isWeak ? self::Weak : self::Set;
    }
}
