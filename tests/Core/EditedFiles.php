<?php

declare(strict_types=1);

namespace Tests\Core;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\UnusableBook;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Books as files, with one value after another changed to something that still makes a book; fixed by a seed. */
final class EditedFiles
{
    /** @return iterable<string, Book> the book with one value changed after another, by what was changed */
    public static function from(string $json, int $seed, int $edits = 4): iterable
    {
        $dice = new Randomizer(new Mt19937($seed));
        for ($edit = 0, $try = 0; $edit < $edits && $try < 60; $try++) {
            preg_match_all('/"(\w+)": ?\K(?:\d+|true|false|null|"[^"]*")/', $json, $found, PREG_OFFSET_CAPTURE);
            $at = $dice->getInt(0, count($found[0]) - 1);
            [$old, $offset] = $found[0][$at];
            $field = $found[1][$at][0];
            $others = array_column(
                array_filter(
                    $found[0],
                    static fn (int $place): bool => $found[1][$place][0] === $field || $found[1][$place][0] === 'to',
                    ARRAY_FILTER_USE_KEY,
                ),
                0,
            );
            $new = match (true) {
                $field === 'format' || $field === 'version' || $field === 'key' => $old,
                ctype_digit($old) => (string) (((int) $old + $dice->getInt(1, 7)) % 60),
                $old === 'true', $old === 'false' => $old === 'true' ? 'false' : 'true',
                preg_match('/^"\d\d:00"$/', $old) === 1 => sprintf('"%02d:30"', $dice->getInt(0, 23)),
                $field === 'extension' => '"2' . $dice->getInt(10, 99) . '"',
                default => $others[$dice->getInt(0, count($others) - 1)],
            };
            $edited = substr_replace($json, $new, $offset, strlen($old));
            try {
                $book = BookFormat::fromJson($edited);
            } catch (UnusableBook) {
                continue;
            }
            if ($new !== $old) {
                [$json, $edit] = [$edited, $edit + 1];
                yield "{$field}: {$old} to {$new}" => $book;
            }
        }
    }
}
