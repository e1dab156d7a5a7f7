<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
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
            $opens = array_filter($schedule->exceptions, static fn (ScheduleException $exception): bool => $exception->hours !== []);
            $uses = $schedule->weekly === [] && $schedule->periods === [] && $opens === [] ? $inspection->usesOf($schedule) : [];
            if ($uses !== []) {
                yield Finding::of($this->about(), "{$schedule->name} is never open", "{$inspection->names(array_map(static fn (array $use): BookObject => $use[0], $uses))} " . (count($uses) === 1 ? 'goes' : 'go') . ' by it.', $schedule)->at('weekly');
            }
        }
    }

    public function samples(): Samples
    {
        $schedule = static fn (array $weekly): array => ['key' => 'hours', 'name' => 'Opening hours', 'weekly' => $weekly];
        $attendant = ['key' => 'main', 'name' => 'Main greeting', 'schedule' => 'schedule:hours', 'answers' => [['item' => 'open', 'when' => 'open', 'then' => 'release'], ['item' => 'closed', 'when' => 'closed', 'then' => 'release']]];

        return Samples::of(['attendants' => [$attendant], 'schedules' => [$schedule([['item' => 'week', 'days' => ['mon'], 'from' => '08:00', 'to' => '17:00']])]], ['schedules' => [$schedule([])]]);
    }
}
