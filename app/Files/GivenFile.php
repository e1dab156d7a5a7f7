<?php

declare(strict_types=1);

namespace App\Files;

/** A file that somebody gives, before anybody looks at what it is. */
final class GivenFile
{
    public const MOST_MEGABYTES = 10;

    /** @return ?string why it cannot be kept whatever is in it; null where it can */
    public static function whyNot(string $bytes): ?string
    {
        return match (true) {
            $bytes === '' => 'The file is empty. Nothing was kept.',
            strlen($bytes) > self::MOST_MEGABYTES * 1_000_000 => 'The file is larger than ' . self::MOST_MEGABYTES
                . ' MB. Nothing was kept.',
            default => null,
        };
    }
}
