<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Schedule;

/** One weekday without hours among four that have them. */
final readonly class WeekdayWithoutHours implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.weekday-without-hours',
            Severity::Note,
            'One weekday has no hours, and the other four have.',
            'A day is easily left out when a week is typed in.',
            'Ask whether the customer is closed that day.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Schedule::class) as $schedule) {
            $open = [];
            foreach ($schedule->weekly as $piece) {
                foreach ($piece->span === null ? $piece->days : range(0, 6) as $day) {
                    $open[$day] = true;
                }
            }
            $missing = array_values(array_diff(range(0, 4), array_keys($open)));
            // Whoever works at the weekend has a day off in the week.
            if (count($missing) === 1 && array_intersect([5, 6], array_keys($open)) === []) {
                $day = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday'][$missing[0]];
                yield Found::of(
                    "{$schedule->name}: {$day} has no hours",
                    'The other four weekdays have.',
                    $schedule,
                )->at('weekly');
            }
        }
    }
}
