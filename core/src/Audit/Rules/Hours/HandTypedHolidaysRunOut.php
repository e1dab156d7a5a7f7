<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Book\Calendar;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Words\Day;

/** A holiday calendar that soon knows no more days. */
final readonly class HandTypedHolidaysRunOut implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.hand-typed-holidays-run-out',
            Severity::Warning,
            thresholds: [Threshold::HolidayNoticeDays],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $today = $inspection->day->number();
        $notice = LocalDate::text($today + $inspection->threshold(Threshold::HolidayNoticeDays));
        foreach ($inspection->book->all(Calendar::class) as $calendar) {
            $last = $calendar->lastKnown();
            // Where all are past already, that is another finding.
            $isPast = $calendar->lastDate() !== null && $calendar->lastDate() < LocalDate::text($today);
            if ($last !== null && $last <= $notice && ! $isPast && $inspection->usesOf($calendar) !== []) {
                yield Found::of(
                    ['calendar' => $calendar->name, 'last' => new Day($last)],
                    $calendar,
                )->at($calendar->knownUntil === null ? 'holidays' : 'knownUntil')
                    ->fixedBy(CalendarRenewal::of($calendar, $today));
            }
        }
    }
}
