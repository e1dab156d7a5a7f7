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
use Jaunty\Core\Book\WhenWeekend;
use Jaunty\Core\Hours\CalendarLine;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Words\Day;

/** A holiday on a weekend whose day in lieu nobody keeps. */
final readonly class HolidayWeekendUnobserved implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.holiday-weekend-unobserved',
            Severity::Note,
            thresholds: [Threshold::HolidayNoticeDays],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Calendar::class) as $calendar) {
            foreach (CalendarLine::of($calendar, $inspection->day->number(), 1) as $place => $line) {
                $date = $line['next'][0] ?? null;
                $holiday = $calendar->holidays[$place];
                // Told when it is time to ask, not a year before.
                $isSoon = $date !== null
                    && LocalDate::parse($date) - $inspection->day->number() <= $inspection
                    ->threshold(Threshold::HolidayNoticeDays);
                if (
                    $isSoon
                    && $holiday->whenWeekend === WhenWeekend::Actual
                    && LocalDate::weekday(LocalDate::parse($date)) >= 5
                    && $inspection->usesOf($calendar) !== []
                ) {
                    yield Found::of(
                        ['calendar' => $calendar->name, 'holiday' => $holiday->name, 'date' => new Day($date)],
                        $calendar,
                    )->at("holidays/{$holiday->item}/whenWeekend", $holiday->item);
                }
            }
        }
    }
}
