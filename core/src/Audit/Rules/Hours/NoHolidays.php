<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
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
            'Hours of a customer in service know no holiday.',
            'On Christmas Day callers hear that somebody will be with them in a moment.',
            'Give the schedule the calendar of the customer\'s region.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        if ($inspection->book->tenant->state !== Stage::InService) {
            return;
        }
        foreach ($inspection->book->all(Schedule::class) as $schedule) {
            $used = array_filter($inspection->usesOf($schedule), static fn (array $use): bool => $use[0] instanceof Attendant || $use[0] instanceof Group);
            if ($used !== [] && $schedule->calendars === [] && $schedule->exceptions === [] && $schedule->weekly !== []) {
                yield Finding::of($this->about(), "{$schedule->name} knows no holiday", "By it go {$inspection->names(array_column(array_values($used), 0))}, on every day of the year.", $schedule)->at('calendars');
            }
        }
    }

    public function samples(): Samples
    {
        $schedule = static fn (array $calendars): array => ['key' => 'week', 'name' => 'Hours', 'calendars' => $calendars, 'weekly' => [['item' => 'days', 'days' => ['mon', 'tue'], 'from' => '08:00', 'to' => '17:00']]];
        $answer = static fn (string $when): array => ['item' => $when, 'when' => $when, 'then' => 'mailbox:desk'];

        return Samples::of([
            'tenant' => ['state' => 'in-service'], 'mailboxes' => [['key' => 'desk', 'notify' => ['desk@inlet.example']]], 'calendars' => [['key' => 'holidays', 'holidays' => [['item' => 'christmas', 'name' => 'Christmas Day', 'rule' => ['fixed' => '12-25']]]]],
            'attendants' => [['key' => 'main', 'name' => 'Main greeting', 'schedule' => 'schedule:week', 'answers' => [$answer('open'), $answer('closed')]]], 'schedules' => [$schedule(['calendar:holidays'])],
        ], ['schedules' => [$schedule([])]]);
    }
}
