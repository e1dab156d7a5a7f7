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
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Schedule::class) as $schedule) {
            foreach (WeekPattern::of($schedule->weekly)->overlaps() as $overlap) {
                yield Found::of(
                    ['schedule' => $schedule->name, 'from' => $overlap['from'], 'to' => $overlap['to']],
                    $schedule,
                )->at('weekly', $overlap['one']);
                break;
            }
        }
    }
}
