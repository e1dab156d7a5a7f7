<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Book\ScheduleException;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Words\Day;

/** A dated exception long over. */
final readonly class OverrideForgotten implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.override-forgotten',
            Severity::Note,
            thresholds: [Threshold::ExceptionKeptDays],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $kept = $inspection->day->number() - $inspection->threshold(Threshold::ExceptionKeptDays);
        foreach ($inspection->book->all(Schedule::class) as $schedule) {
            $over = array_values(array_filter(
                $schedule->exceptions,
                static fn (ScheduleException $exception): bool => LocalDate::parse($exception->to) < $kept,
            ));
            if ($over !== []) {
                $last = $over[count($over) - 1];
                yield Found::of(
                    [
                        'n' => count($over),
                        'schedule' => $schedule->name,
                        'last' => $last->name,
                        'to' => new Day($last->to),
                    ],
                    $schedule,
                )->at('exceptions')->counting(count($over))
                    ->fixedBy(Fix::of(
                        count($over) === 1 ? 'Take it out' : 'Take them out',
                        Fix::leavingOut($schedule, 'exceptions', ...array_column($over, 'item')),
                    ));
            }
        }
    }
}
