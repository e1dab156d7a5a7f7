<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** Times of the day as books write them: `08:00`, as an end `24:00` too. Kept as minutes since midnight. @internal */
final class ClockTime
{
    public const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];

    public static function read(Node $node, string $field, bool $isEnd): int
    {
        $text = $node->matching($field, '/^([01]\d|2[0-4]):[0-5]\d$/D', 'a time of the day (08:00)');
        $minutes = self::minutes($text);
        if ($minutes > 1440 || ($minutes === 1440 && ! $isEnd)) {
            throw UnusableBook::malformed(
                $node->at($field),
                $isEnd ? 'a time of the day, 24:00 at most' : 'a time of the day, 23:59 at most',
                $text,
            );
        }

        return $minutes;
    }

    public static function minutes(string $text): int
    {
        return (int) substr($text, 0, 2) * 60 + (int) substr($text, 3, 2);
    }

    public static function text(int $minutes): string
    {
        return sprintf('%02d:%02d', intdiv($minutes, 60), $minutes % 60);
    }
}
