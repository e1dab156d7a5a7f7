<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Hours\WeekPattern;

/** Hours that are open round the clock, as they were delivered. */
final readonly class NeverCloses implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.never-closes-untouched',
            Severity::Note,
            'A schedule is open round the clock.',
            'That is how schedules come; often nobody has entered the customer\'s hours yet.',
            'Enter the hours, or leave the schedule out where there are none.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Schedule::class) as $schedule) {
            $week = WeekPattern::of($schedule->weekly);
            if ($schedule->weekly !== [] && $week->minutes() === 7 * LocalDate::MINUTES && $inspection->usesOf($schedule) !== []) {
                yield Finding::of($this->about(), "{$schedule->name} is open round the clock", 'No hour of the week is closed.', $schedule)->at('weekly');
            }
        }
    }

    public function samples(): Samples
    {
        $schedule = static fn (string $to): array => ['key' => 'hours', 'name' => 'Hours', 'weekly' => [['item' => 'all', 'days' => ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], 'from' => '00:00', 'to' => $to]]];
        $base = ['mailboxes' => [['key' => 'desk']], 'attendants' => [['key' => 'main', 'schedule' => 'schedule:hours', 'answers' => [['item' => 'o', 'when' => 'open', 'then' => 'mailbox:desk'], ['item' => 'c', 'when' => 'closed', 'then' => 'mailbox:desk']]]]];

        return Samples::of($base + ['schedules' => [$schedule('17:00')]], ['schedules' => [$schedule('24:00')]]);
    }
}
