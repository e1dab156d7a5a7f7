<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Calendar;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Change\Operation;

/** Hours that nothing goes by. */
final readonly class Unused implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.unused',
            Severity::Note,
            'A schedule or a calendar is used by nothing.',
            'Somebody changes it and believes that callers notice.',
            'Give it to what it was made for, or take it out.',
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ([...$inspection->book->all(Schedule::class), ...$inspection->book->all(Calendar::class)] as $object) {
            if ($inspection->usesOf($object) === []) {
                yield Finding::of($this->about(), "Nothing goes by {$object->name}", 'Changing it changes no call.', $object)->at('name')->fixedBy(Fix::of('Take it out', Operation::delete($object)));
            }
        }
    }

    public function samples(): Samples
    {
        $answer = static fn (string $when): array => ['item' => $when, 'when' => $when, 'then' => 'mailbox:desk'];
        $week = static fn (string $key): array => ['key' => $key, 'name' => ucfirst($key), 'weekly' => [['item' => 'days', 'days' => ['mon'], 'from' => '08:00', 'to' => '17:00']]];

        return Samples::of(['mailboxes' => [['key' => 'desk', 'notify' => ['desk@inlet.example']]], 'attendants' => [['key' => 'main', 'schedule' => 'schedule:week', 'answers' => [$answer('open'), $answer('closed')]]], 'schedules' => [$week('week')]], ['schedules' => [$week('week'), $week('old')]]);
    }
}
