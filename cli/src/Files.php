<?php

declare(strict_types=1);

namespace Jaunty\CommandLine;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\UnusableBook;

/** Reads the files a command names; `-` is what is piped in. */
final class Files
{
    private const LARGEST = 64_000_000;

    /** @throws Misuse with file, place and cause */
    public static function book(string $file): Book
    {
        try {
            return BookFormat::fromJson(self::text($file));
        } catch (UnusableBook $fault) {
            throw new Misuse("{$file}: {$fault->getMessage()}");
        }
    }

    /** @throws Misuse */
    public static function json(string $file): mixed
    {
        try {
            return json_decode(self::text($file), true, 32, JSON_THROW_ON_ERROR);
        } catch (\JsonException $fault) {
            throw new Misuse("{$file}: not JSON ({$fault->getMessage()})");
        }
    }

    /** @throws Misuse */
    public static function text(string $file): string
    {
        if ($file === '' || str_contains($file, "\0")) {
            throw new Misuse('a file is wanted, and "' . addcslashes($file, "\0") . '" is the name of none');
        }
        $handle = @fopen($file === '-' ? 'php://stdin' : $file, 'rb');
        $text = $handle === false || is_dir($file) ? false : stream_get_contents($handle, self::LARGEST + 1);
        if ($text === false) {
            throw new Misuse("{$file}: cannot be read");
        }
        if (strlen($text) > self::LARGEST) {
            throw new Misuse("{$file}: larger than " . intdiv(self::LARGEST, 1_000_000) . ' MB');
        }

        return $text;
    }
}
