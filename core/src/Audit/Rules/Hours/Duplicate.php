<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Schedule;

/** Two schedules that say the same. */
final readonly class Duplicate implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.duplicate',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $alike = [];
        foreach ($inspection->book->all(Schedule::class) as $schedule) {
            $fields = array_diff_key($schedule->toArray(), ['key' => true, 'name' => true]);
            if ($schedule->weekly !== []) {
                $alike[json_encode($fields, JSON_THROW_ON_ERROR)][] = $schedule;
            }
        }
        foreach ($alike as $schedules) {
            if (count($schedules) > 1) {
                yield Found::of(
                    ['schedules' => $inspection->names->several($schedules)],
                    ...$schedules,
                )->counting(count($schedules));
            }
        }
    }
}
