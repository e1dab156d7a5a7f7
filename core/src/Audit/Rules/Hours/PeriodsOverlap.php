<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Words\Day;

/** Two named periods that claim the same days. */
final readonly class PeriodsOverlap implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.periods-overlap',
            Severity::Warning,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Schedule::class) as $schedule) {
            foreach ($schedule->periods as $place => $period) {
                foreach (array_slice($schedule->periods, $place + 1) as $later) {
                    if (
                        $period->to !== null
                        && $later->to !== null
                        && $period->from <= $later->to
                        && $later->from <= $period->to
                    ) {
                        yield Found::of(
                            [
                                'schedule' => $schedule->name,
                                'period' => $period->name,
                                'later' => $later->name,
                                'from' => new Day(max($period->from, $later->from)),
                                'to' => new Day(min($period->to, $later->to)),
                            ],
                            $schedule,
                        )->at("periods/{$later->item}/from", $later->item);
                    }
                }
            }
        }
    }
}
