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
            'Two schedules say the same.',
            'Whoever changes the one will believe that both are changed.',
            'Let everything go by one of them.',
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
                    "{$inspection->names->listed($schedules)} say the same",
                    'Their weeks, exceptions and calendars are alike.',
                    ...$schedules,
                )->counting(count($schedules));
            }
        }
    }
}
