<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Schedule;

/** An attendant that goes by no hours, beside others that do. */
final readonly class AlwaysOpenBesideHours implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.always-open-beside-hours',
            Severity::Warning,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $hours = array_values(array_filter(
            $inspection->book->all(Schedule::class),
            static fn (Schedule $schedule): bool => $schedule->weekly !== [],
        ));
        foreach ($hours === [] ? [] : $inspection->book->all(Attendant::class) as $attendant) {
            $isOpened = array_filter(
                $attendant->answers,
                static fn (array $answer): bool => $answer['when'] === 'open',
            ) !== [];
            $isCalled = array_filter(
                $inspection->usesOf($attendant),
                static fn (array $use): bool => $use[0] instanceof Number,
            ) !== [];
            if ($attendant->schedule === null && $attendant->enabled && $isOpened && $isCalled) {
                yield Found::of(
                    ['attendant' => $attendant->name, 'first' => $hours[0]->name],
                    $attendant,
                )->at('schedule');
            }
        }
    }
}
