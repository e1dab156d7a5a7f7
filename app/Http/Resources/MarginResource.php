<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Audit\Sifted;
use App\Models\FindingWaiver;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Calls\WeekStrip;

/** What is said of a book before anybody calls: findings, heaviest first, and the week of its main number. */
final class MarginResource
{
    /**
     * @param  int  $now  seconds since 1970
     * @return array{findings: list<array<string, mixed>>, waived: list<array<string, mixed>>, strip: ?list<array<string, mixed>>}
     */
    public static function of(Book $book, Sifted $sifted, int $now): array
    {
        return [
            'findings' => array_map(static fn (Finding $finding): array => FindingResource::of($finding, $book), $sifted->standing),
            'waived' => array_map(static fn (array $pair): array => self::waiver($pair[1]) + ['finding' => FindingResource::of($pair[0], $book)], $sifted->waived),
            'strip' => WeekStrip::ofMain($book, $now)?->toArray(),
        ];
    }

    /** @return array<string, mixed> */
    private static function waiver(FindingWaiver $waiver): array
    {
        return ['id' => $waiver->id, 'reason' => $waiver->reason, 'until' => $waiver->until, 'by' => $waiver->technician->name, 'at' => $waiver->made_at->toAtomString()];
    }
}
