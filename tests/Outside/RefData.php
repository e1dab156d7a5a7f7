<?php

declare(strict_types=1);

namespace Tests\Outside;

/** Reads the check values of tests/data; each file names its source in its first line. */
final class RefData
{
    /** @return iterable<int, array<string, string>> rows by line number */
    public static function csv(string $file): iterable
    {
        $handle = fopen(__DIR__ . "/../data/{$file}", 'rb');
        if ($handle === false) {
            throw new \RuntimeException("{$file} cannot be read");
        }
        $head = null;
        for ($line = 1; ($cells = fgetcsv($handle, escape: '')) !== false; $line++) {
            $cells = array_map(strval(...), $cells);
            if (str_starts_with($cells[0], '#')) {
                continue;
            }
            if ($head === null) {
                $head = $cells;
            } else {
                yield $line => array_combine($head, $cells);
            }
        }
        fclose($handle);
    }
}
