<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Calendar;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Words\Day;

/** A holiday calendar whose dates all lie in the past. */
final readonly class AllHolidaysPast implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.all-holidays-past',
            Severity::Error,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $today = LocalDate::text($inspection->day->number());
        foreach ($inspection->book->all(Calendar::class) as $calendar) {
            $last = $calendar->lastDate();
            if ($last !== null && $last < $today && $inspection->usesOf($calendar) !== []) {
                yield Found::of(
                    ['calendar' => $calendar->name, 'last' => new Day($last)],
                    $calendar,
                )->at('holidays')->fixedBy(CalendarRenewal::of($calendar, $inspection->day->number()));
            }
        }
    }
}
