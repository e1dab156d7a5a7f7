<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Book\ScheduleException;

/** Hours in use that are never open. */
final readonly class NeverOpen implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.never-open',
            Severity::Error,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Schedule::class) as $schedule) {
            $opens = array_filter(
                $schedule->exceptions,
                static fn (ScheduleException $exception): bool => $exception->hours !== [],
            );
            $uses = $schedule->weekly === [] && $schedule->periods === [] && $opens === []
                ? $inspection->usesOf($schedule)
                : [];
            if ($uses !== []) {
                yield Found::of(
                    [
                        'schedule' => $schedule->name,
                        'uses' => $inspection->names->several(array_column($uses, 0)),
                        'n' => count($uses),
                    ],
                    $schedule,
                )->at('weekly');
            }
        }
    }
}
