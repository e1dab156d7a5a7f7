<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Book\Stage;

/** Hours in service without a holiday. */
final readonly class NoHolidays implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.no-holidays',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        if ($inspection->book->tenant->state !== Stage::InService) {
            return;
        }
        foreach ($inspection->book->all(Schedule::class) as $schedule) {
            $used = array_filter(
                $inspection->usesOf($schedule),
                static fn (array $use): bool => $use[0] instanceof Attendant || $use[0] instanceof Group,
            );
            if (
                $used !== [] && $schedule->calendars === [] && $schedule->exceptions === [] && $schedule->weekly !== []
            ) {
                yield Found::of(
                    [
                        'schedule' => $schedule->name,
                        'used' => $inspection->names->several(array_column(array_values($used), 0)),
                    ],
                    $schedule,
                )->at('calendars');
            }
        }
    }
}
