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
            'Hours know holidays, but the attendant has no answer for them.',
            'Callers hear the closed answer, which may promise that somebody is there tomorrow.',
            'Write an answer for holidays, or leave it where the closed answer does.',
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
                    "{$attendant->name}: no answer of its own on holidays",
                    'Callers hear what they hear on any closed day.',
                    $attendant,
                )->at('answers', 'holiday');
            }
        }
    }
}
