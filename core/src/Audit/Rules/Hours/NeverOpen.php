<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\BookObject;
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
            'Hours that decide calls are never open.',
            'Every caller is told that nobody is there.',
            'Enter the hours.',
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
                    "{$schedule->name} is never open",
                    "{$inspection->names->listed(array_map(static fn (array $use): BookObject => $use[0], $uses))} "
                        . (count($uses) === 1 ? 'goes' : 'go')
                        . ' by it.',
                    $schedule,
                )->at('weekly');
            }
        }
    }
}
