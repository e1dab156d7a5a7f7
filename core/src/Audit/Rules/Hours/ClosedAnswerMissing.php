<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\Year\OutcomeMap;
use Jaunty\Core\Hours\HoursState;
use Jaunty\Core\Hours\ScheduleClock;
use Jaunty\Core\Words\Message;

/** An attendant without an answer for a state its hours come to. */
final readonly class ClosedAnswerMissing implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.closed-answer-missing',
            Severity::Blocker,
            About::MODEL,
            explains: ['flow.dead-end'],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Attendant::class) as $attendant) {
            foreach ([HoursState::Open, HoursState::Closed] as $state) {
                $answers = array_values(array_filter(
                    $attendant->answers,
                    static fn (array $answer): bool => $answer['when'] === $state->value && $answer['then'] !== null,
                ));
                if (! $attendant->enabled || $answers !== [] || ! $this->comesTo($inspection, $attendant, $state)) {
                    continue;
                }
                yield Found::of(
                    ['attendant' => $attendant->name, 'state' => new Message("hours/{$state->value}")],
                    $attendant,
                )->at('answers', $state->value)->shownBy($this->call($inspection, $attendant));
            }
        }
    }

    private function comesTo(Inspection $inspection, Attendant $attendant, HoursState $state): bool
    {
        $schedule = $inspection->find($attendant->schedule, Schedule::class);

        return $schedule === null
            ? $state === HoursState::Open
            : ScheduleClock::of($schedule, $inspection->book, $inspection->callBook()->clockOf($attendant))
            ->timeline($inspection->now, OutcomeMap::YEAR_SECONDS)
            ->secondsIn($state) > 0;
    }

    /** @return ?array<string, mixed> */
    private function call(Inspection $inspection, Attendant $attendant): ?array
    {
        $end = Outcome::DeadEnd->value . ' ' . Reference::of($attendant);
        foreach ($inspection->survey()->runs as $run) {
            if (in_array($end, $run->facts->ends, true)) {
                return $inspection->survey()->shortestCall($run, $end);
            }
        }

        return null;
    }
}
