<?php

declare(strict_types=1);

namespace App\Demo;

/** Plans of floors, drawn: walls on paper, with doors in them. */
final class PlanPicture
{
    private const WIDTH = 900;

    private const HEIGHT = 420;

    private const PAPER = "\xfa";

    private const WALL = "\x5a";

    private const DOOR = 46;

    /**
     * @param  list<int>  $upper  where the walls between the rooms of the upper row stand, in dots from the left
     * @param  list<int>  $lower  the same of the lower row
     * @return string a PNG file
     */
    public static function of(array $upper, array $lower): string
    {
        $rows = array_fill(0, self::HEIGHT, str_repeat(self::PAPER, self::WIDTH));
        [$right, $foot] = [self::WIDTH - 12, self::HEIGHT - 12];
        [$above, $below] = [intdiv(self::HEIGHT, 2) - 30, intdiv(self::HEIGHT, 2) + 30];
        self::box($rows, 10, 10, $right, 13);
        self::box($rows, 10, $foot - 3, $right, $foot);
        self::box($rows, 10, 10, 13, $foot);
        self::box($rows, $right - 3, 10, $right, $foot);
        foreach ([[$upper, 10, $above, $above], [$lower, $below, $foot, $below]] as [$walls, $from, $to, $passage]) {
            foreach ($walls as $wall) {
                self::box($rows, $wall, $from, $wall + 3, $to);
            }
            $ends = [10, ...$walls, $right];
            foreach (array_slice($ends, 0, -1) as $room => $left) {
                // A door into the passage, at the right end of each room.
                self::box($rows, $left, $passage - 2, $ends[$room + 1] - self::DOOR, $passage + 1);
                self::box($rows, $ends[$room + 1] - 8, $passage - 2, $ends[$room + 1], $passage + 1);
            }
        }

        return self::png($rows);
    }

    /** @param array<int, string> $rows */
    private static function box(array &$rows, int $left, int $top, int $right, int $foot): void
    {
        for ($y = $top; $y < $foot; $y++) {
            $rows[$y] = substr_replace($rows[$y], str_repeat(self::WALL, $right - $left), $left, $right - $left);
        }
    }

    /**
     * Eight bits of grey (PNG, third edition, 5 and 11.2).
     *
     * @param  array<int, string>  $rows
     */
    private static function png(array $rows): string
    {
        $chunk = static fn (string $type, string $data): string =>
            pack('N', strlen($data)) . $type . $data . pack('N', crc32($type . $data));

        return "\x89PNG\r\n\x1a\n" . $chunk('IHDR', pack('NNCCCCC', self::WIDTH, self::HEIGHT, 8, 0, 0, 0, 0))
            . $chunk('IDAT', (string) gzcompress("\0" . implode("\0", $rows), 9)) . $chunk('IEND', '');
    }
}
