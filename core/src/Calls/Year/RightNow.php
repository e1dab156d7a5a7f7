<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Year;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Telling;
use Jaunty\Core\Calls\OneCall\Trace;

/**
 * What a caller to the main number gets at an instant who does nothing and whom nobody answers, and when that next
 * changes.
 */
final readonly class RightNow
{
    private const HORIZON = 8 * 86_400;

    private function __construct(
        public string $number,
        public Telling $telling,
        public ?int $until,
        public ?Telling $next,
    ) {
    }

    /** @return ?self null where no main number is named */
    public static function of(Book $book, int $now): ?self
    {
        $number = $book->tenant->mainNumber?->key;
        if ($number === null) {
            return null;
        }
        $map = OutcomeMap::of($book, $now, self::HORIZON);
        $first = $map->facts[$map->periods->stretches[0][1]][$number] ?? null;
        $until = null;
        foreach ($map->periods->stretches as [$instant, $class]) {
            $facts = $map->facts[$class][$number] ?? null;
            if ($until === null && $first !== null && $facts !== null && (
                $facts->ends !== $first->ends || $facts->passiveTarget !== $first->passiveTarget
            )) {
                $until = $instant;
            }
        }

        return new self(
            $number,
            self::tell($book, $number, $now),
            $until,
            $until === null ? null : self::tell($book, $number, $until),
        );
    }

    private static function tell(Book $book, string $number, int $at): Telling
    {
        return Telling::of(
            Trace::of($book, Script::read(['to' => $number, 'at' => gmdate('Y-m-d\TH:i:s\Z', $at)], $book)),
        );
    }
}
