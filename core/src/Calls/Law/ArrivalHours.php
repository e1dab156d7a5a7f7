<?php

declare(strict_types=1);

namespace Jaunty\Core\Calls\Law;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Hours\HoursState;
use Jaunty\Core\Hours\ScheduleClock;
use Jaunty\Core\Hours\ZoneClock;

/**
 * What schedules say when a call arrives, which holds for the whole call; and which of them would say otherwise before
 * its end.
 */
final class ArrivalHours
{
    /** @var array<string, array{Schedule, ScheduleClock, ZoneClock, string}> asked so far, with what was said */
    private array $asked = [];

    /** @param int $at the arrival, seconds since 1970 */
    public function __construct(private readonly Book $book, private readonly int $at)
    {
    }

    public function say(Schedule $schedule, string $zone): string
    {
        $slot = Sayings::slot($schedule, $zone);
        if (! isset($this->asked[$slot])) {
            $clock = ScheduleClock::of($schedule, $this->book, $zone);
            $this->asked[$slot] = [
                $schedule, $clock, ZoneClock::of($schedule->fixedZone ?? $zone), $clock->at($this->at),
            ];
        }

        return $this->asked[$slot][3];
    }

    /**
     * @param  int  $seconds  length of the call
     * @return list<string> a warning for each schedule that changes meanwhile
     */
    public function changesWithin(int $seconds): array
    {
        $warnings = [];
        foreach ($seconds === 0 ? [] : $this->asked as [$schedule, $clock, $wall, $said]) {
            $change = $clock->timeline($this->at, $seconds + 1)->nextChange($this->at);
            if ($change !== null) {
                $minutes = $wall->localMinutes($change);
                $warnings[] = sprintf(
                    '%s goes from %s to %s at %02d:%02d, %d s into the call; hours are read once, at its arrival.',
                    $schedule->name,
                    HoursState::of($said)->value,
                    HoursState::of($clock->at($change))->value,
                    intdiv($minutes, 60) % 24,
                    $minutes % 60,
                    $change - $this->at,
                );
            }
        }

        return $warnings;
    }
}
