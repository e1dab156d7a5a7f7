<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Schedule;

/** Two named periods that claim the same days. */
final readonly class PeriodsOverlap implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.periods-overlap',
            Severity::Warning,
            'Two named periods of a schedule claim the same days.',
            'The first in the list holds; whoever edits the other wonders why nothing changes.',
            'Let one end before the other begins.',
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
                            "{$schedule->name}: {$period->name} and {$later->name} claim the same days",
                            "{$period->name} holds from "
                                . $inspection->day->said(max($period->from, $later->from))
                                . ' to '
                                . $inspection->day->said(min($period->to, $later->to))
                                . '.',
                            $schedule,
                        )->at("periods/{$later->item}/from", $later->item);
                    }
                }
            }
        }
    }
}
