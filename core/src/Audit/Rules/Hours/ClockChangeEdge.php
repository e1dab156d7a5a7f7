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
            'Hours begin or end at a time that some nights have twice, and some not at all.',
            'On those nights they are an hour shorter or longer than anybody expects.',
            'Let them begin or end outside one to three at night, or say what is meant.',
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
                    "{$schedule->name}: hours begin or end between one and three at night",
                    'Clocks change then, twice a year.',
                    $schedule,
                )->at('weekly', array_values($edges)[0]->item);
            }
        }
    }
}
