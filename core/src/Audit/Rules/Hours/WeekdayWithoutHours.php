<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\ClockTime;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Words\Message;

/** One weekday without hours among four that have them. */
final readonly class WeekdayWithoutHours implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.weekday-without-hours',
            Severity::Note,
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
                yield Found::of(
                    ['schedule' => $schedule->name, 'day' => new Message('weekday/' . ClockTime::DAYS[$missing[0]])],
                    $schedule,
                )->at('weekly');
            }
        }
    }
}
