<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Hours\WeekPattern;

/** Hours that are open round the clock, as they were delivered. */
final readonly class NeverClosesUntouched implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.never-closes-untouched',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Schedule::class) as $schedule) {
            $week = WeekPattern::of($schedule->weekly);
            if (
                $schedule->weekly !== []
                && $week->minutes() === 7 * LocalDate::MINUTES
                && $inspection->usesOf($schedule) !== []
            ) {
                yield Found::of(
                    ['schedule' => $schedule->name],
                    $schedule,
                )->at('weekly');
            }
        }
    }
}
