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

/** A holiday calendar whose dates all lie in the past. */
final readonly class AllHolidaysPast implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.all-holidays-past',
            Severity::Error,
            'Every date of a holiday calendar in use lies in the past.',
            'On the next holiday callers ring an empty office.',
            'Renew the calendar, best from the rules of the region.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $today = LocalDate::text($inspection->day->number());
        foreach ($inspection->book->all(Calendar::class) as $calendar) {
            $last = $calendar->lastDate();
            if ($last !== null && $last < $today && $inspection->usesOf($calendar) !== []) {
                yield Found::of(
                    "{$calendar->name}: every holiday is past",
                    'The last was ' . $inspection->day->said($last) . '; from now on no day counts as one.',
                    $calendar,
                )->at('holidays')->fixedBy(CalendarRenewal::of($calendar, $inspection->day->number()));
            }
        }
    }
}
