<?php

declare(strict_types=1);

namespace App\Security;

/** What a letter carries to open something once: random, and kept as a hash. */
final class LetterCode
{
    private const BYTES = 24;

    public static function make(): string
    {
        return rtrim(strtr(base64_encode(random_bytes(self::BYTES)), '+/', '-_'), '=');
    }

    public static function hash(string $code): string
    {
        return hash('sha256', $code);
    }
}
