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

/** A shift past midnight that is cut off where a closed date begins. */
final readonly class OvernightIntoClosedDate implements Rule
{
    private const DAYS = 365;

    public function about(): About
    {
        return new About(
            'hours.overnight-into-closed-date',
            Severity::Warning,
            'Hours run past midnight into a date that is closed, and stop there.',
            'People are still at work on the night before a holiday, and from midnight on callers '
                . 'are told that it is closed.',
            'Let the shift be finished, or enter the night as an exception.',
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
                    "{$schedule->name}: the night shift ends where {$inspection->day->said($cut[0])} begins",
                    'That date is closed, and the shift from the day before is not finished'
                        . (count($cut) === 1 ? '.' : '; ' . (count($cut) - 1) . ' more nights of the year are cut so.'),
                    $schedule,
                )
                    ->at('finishShift')->counting(count($cut))->fixedBy(
                        Fix::set('Let shifts be finished', $schedule, 'finishShift', true),
                    );
            }
        }
    }
}
