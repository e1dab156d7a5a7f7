<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Book\Stage;

/** Hours in service without a holiday. */
final readonly class NoHolidays implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.no-holidays',
            Severity::Warning,
            'Hours of a customer in service know no holiday.',
            'On Christmas Day callers hear that somebody will be with them in a moment.',
            'Give the schedule the calendar of the customer\'s region.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        if ($inspection->book->tenant->state !== Stage::InService) {
            return;
        }
        foreach ($inspection->book->all(Schedule::class) as $schedule) {
            $used = array_filter(
                $inspection->usesOf($schedule),
                static fn (array $use): bool => $use[0] instanceof Attendant || $use[0] instanceof Group,
            );
            if (
                $used !== [] && $schedule->calendars === [] && $schedule->exceptions === [] && $schedule->weekly !== []
            ) {
                yield Found::of(
                    "{$schedule->name} knows no holiday",
                    "By it go {$inspection->names->listed(array_column(array_values($used), 0))}, "
                        . "on every day of the year.",
                    $schedule,
                )->at('calendars');
            }
        }
    }
}
