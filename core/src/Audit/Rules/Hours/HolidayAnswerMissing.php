<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Hours\HoursState;

/** Holidays are kept, but callers hear the answer of any evening. */
final readonly class HolidayAnswerMissing implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.holiday-answer-missing',
            Severity::Note,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Attendant::class) as $attendant) {
            $schedule = $inspection->find($attendant->schedule, Schedule::class);
            $hasAnswer = array_filter(
                $attendant->answers,
                static fn (array $answer): bool => str_starts_with($answer['when'], HoursState::Holiday->value),
            ) !== [];
            if ($schedule !== null && $schedule->calendars !== [] && ! $hasAnswer) {
                yield Found::of(
                    ['attendant' => $attendant->name],
                    $attendant,
                )->at('answers', 'holiday');
            }
        }
    }
}
