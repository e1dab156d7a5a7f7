<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Jaunty\Core\Audit\Auditor;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Calls\WeekStrip;

/** What is said of a book before anybody calls: findings, heaviest first, and the week of its main number. */
final class MarginResource
{
    /**
     * @param  int  $now  seconds since 1970
     * @return array{findings: list<array<string, mixed>>, strip: ?list<array<string, mixed>>}
     */
    public static function of(Book $book, int $now): array
    {
        return [
            'findings' => array_map(static fn (Finding $finding): array => FindingResource::of($finding, $book), Auditor::of($book, $now)),
            'strip' => WeekStrip::ofMain($book, $now)?->toArray(),
        ];
    }
}
