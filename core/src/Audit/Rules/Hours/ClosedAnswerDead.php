<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\AnnouncedAs;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Calendar;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Book\ScheduleException;
use Jaunty\Core\Hours\HoursState;

/** An answer for a state that the hours never come to. */
final readonly class ClosedAnswerDead implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.closed-answer-dead',
            Severity::Note,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(Attendant::class) as $attendant) {
            $schedule = $inspection->find($attendant->schedule, Schedule::class);
            foreach ($attendant->answers as $answer) {
                [$state, $item] = explode(':', $answer['when'], 2) + [1 => ''];
                $never = match (true) {
                    $schedule === null => $state !== HoursState::Open->value,
                    $state === 'holiday' && $item !== '' => ! $this->knows($inspection, $schedule, $item),
                    $state === HoursState::Holiday->value => $schedule->calendars === [] && array_filter(
                        $schedule->exceptions,
                        static fn (
                            ScheduleException $exception,
                        ): bool => $exception->announcedAs === AnnouncedAs::Holiday,
                    ) === [],
                    $state === 'period' => ! in_array($item, array_column($schedule->periods, 'item'), true),
                    default => false,
                };
                if ($never) {
                    yield Found::of(
                        [
                            'attendant' => $attendant->name,
                            'when' => $answer['when'],
                            'hours' => $schedule === null ? 'none' : 'some',
                            'schedule' => $schedule->name ?? '',
                        ],
                        $attendant,
                    )->at("answers/{$answer['item']}", $answer['item'])
                        ->fixedBy(Fix::of('Take it out', Fix::leavingOut($attendant, 'answers', $answer['item'])));
                }
            }
        }
    }

    private function knows(Inspection $inspection, Schedule $schedule, string $item): bool
    {
        $items = array_column($schedule->exceptions, 'item');
        foreach ($schedule->calendars as $calendar) {
            array_push($items, ...array_column($inspection->find($calendar, Calendar::class)->holidays ?? [], 'item'));
        }

        return in_array($item, $items, true);
    }
}
