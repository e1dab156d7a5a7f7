<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Book\WeeklyPiece;
use Jaunty\Core\Calls\Year\OutcomeMap;
use Jaunty\Core\Hours\ZoneClock;

/** Hours that begin or end in the night in which clocks change. */
final readonly class ClockChangeEdge implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.clock-change-edge',
            Severity::Note,
            'RFC 5545 section 3.3.5',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Schedule::class) as $schedule) {
            $zone = $schedule->fixedZone ?? $inspection->book->tenant->zone;
            $changes = ZoneClock::of($zone)->changesBetween(
                $inspection->now,
                $inspection->now + OutcomeMap::YEAR_SECONDS,
            );
            $edges = array_filter(
                $schedule->weekly,
                static fn (WeeklyPiece $piece): bool => $piece->span === null && array_filter(
                    [$piece->from, $piece->to],
                    static fn (int $minute): bool => $minute > 60 && $minute < 180,
                ) !== [],
            );
            if ($changes !== [] && $edges !== []) {
                yield Found::of(
                    ['schedule' => $schedule->name],
                    $schedule,
                )->at('weekly', array_values($edges)[0]->item);
            }
        }
    }
}
