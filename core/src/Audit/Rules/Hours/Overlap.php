<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Hours\WeekPattern;

/** Pieces of a week that claim the same minutes. */
final readonly class Overlap implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.overlap',
            Severity::Warning,
            'Two pieces of a week claim the same minutes.',
            'One of them is a mistake, and nobody can tell which; changing the other changes nothing.',
            'Take one out, or let one begin where the other ends.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Schedule::class) as $schedule) {
            foreach (WeekPattern::of($schedule->weekly)->overlaps() as $overlap) {
                yield Found::of(
                    "{$schedule->name}: two pieces claim {$overlap['from']} to {$overlap['to']}",
                    'The week is open then because of both.',
                    $schedule,
                )->at('weekly', $overlap['one']);
                break;
            }
        }
    }
}
