<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Audit\Margin;
use App\Models\FindingWaiver;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Calls\Year\WeekStrip;

/** What is said of a book before anybody calls: findings, heaviest first, and the week of its main number. */
final class MarginResource
{
    /**
     * @return array{findings: list<array<string, mixed>>, waived: list<array<string, mixed>>,
     *     strip: ?list<array<string, mixed>>}
     */
    public static function of(Margin $margin): array
    {
        return [
            'findings' => array_map(
                static fn (Finding $finding): array => FindingResource::of($finding, $margin->book),
                $margin->sifted->standing,
            ),
            'waived' => array_map(
                static fn (array $pair): array => self::waiver($pair[1])
                    + ['finding' => FindingResource::of($pair[0], $margin->book)],
                $margin->sifted->waived,
            ),
            'strip' => WeekStrip::ofMain($margin->book, $margin->now)?->toArray(),
        ];
    }

    /** @return array<string, mixed> */
    private static function waiver(FindingWaiver $waiver): array
    {
        return [
            'id' => $waiver->id, 'reason' => $waiver->reason, 'until' => $waiver->until,
            'by' => $waiver->by, 'at' => $waiver->made_at->toAtomString(),
        ];
    }
}
