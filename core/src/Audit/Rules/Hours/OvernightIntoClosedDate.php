<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Book\WeeklyPiece;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Hours\ScheduleClock;
use Jaunty\Core\Words\Day;

/** A shift past midnight that is cut off where a closed date begins. */
final readonly class OvernightIntoClosedDate implements Rule
{
    private const DAYS = 365;

    public function about(): About
    {
        return new About(
            'hours.overnight-into-closed-date',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $today = $inspection->day->number();
        foreach ($inspection->book->all(Schedule::class) as $schedule) {
            $isOvernight = array_filter(
                $schedule->weekly,
                static fn (WeeklyPiece $piece): bool => $piece->span === null
                    && $piece->to < $piece->from
                    && $piece->to > 0,
            ) !== [];
            if ($schedule->finishShift || ! $isOvernight) {
                continue;
            }
            $clock = ScheduleClock::of(
                $schedule,
                $inspection->book,
                $schedule->fixedZone ?? $inspection->book->tenant->zone,
            );
            $cut = [];
            for ($day = $today; $day < $today + self::DAYS; $day++) {
                $runsOn = array_filter(
                    $clock->plan($day - 1)->hours,
                    static fn (array $hours): bool => $hours[1] > LocalDate::MINUTES,
                ) !== [];
                if ($runsOn && $clock->plan($day)->isClosedDate) {
                    $cut[] = LocalDate::text($day);
                }
            }
            if ($cut !== []) {
                yield Found::of(
                    [
                        'schedule' => $schedule->name,
                        'cut' => new Day($cut[0]),
                        'n' => count($cut),
                    ],
                    $schedule,
                )
                    ->at('finishShift')->counting(count($cut))->fixedBy(
                        Fix::set('Let shifts be finished', $schedule, 'finishShift', true),
                    );
            }
        }
    }
}
