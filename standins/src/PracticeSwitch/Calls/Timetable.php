<?php

declare(strict_types=1);

namespace Standins\PracticeSwitch\Calls;

/**
 * What a timetable says at an instant, day by day: whoever owns the day says its hours, and a shift may run on from the
 * day before.
 */
final readonly class Timetable
{
    private const DAY = 1440;

    private const WEEK = 7 * self::DAY;

    /** @param list<Almanac> $almanacs */
    private function __construct(private Part $body, private array $almanacs, private Clock $clock)
    {
    }

    public static function of(Holdings $holdings, ?string $id, string $clock): ?self
    {
        if ($id === null) {
            return null;
        }
        $body = $holdings->in('timetables', $id);
        $almanacs = array_map(
            static fn (string $almanac): Almanac => new Almanac($holdings->in('almanacs', $almanac)),
            $body->texts('almanacs') ?? [],
        );

        return new self($body, $almanacs, new Clock($body->text('clock') ?? $clock));
    }

    public function at(int $instant): Hour
    {
        $today = $this->clock->dayOf($instant);
        $yesterday = $today - 1;
        $owner = $this->owner($today);
        if ($this->isWithin($owner, $today, $instant)) {
            return $owner->inHours();
        }
        $before = $this->owner($yesterday);
        $runsOn = ! $this->isClosed($owner, $today)
            || $this->body->yes('run_over')
            || $before->isSameDatedPieceAs($owner);
        if ($runsOn && $this->isWithin($before, $yesterday, $instant)) {
            return $before->inHours();
        }

        return $owner->outOfHours();
    }

    private function owner(int $day): DayOwner
    {
        foreach ($this->body->parts('odd_days') as $odd) {
            $first = $odd->number('first');
            $date = Clock::dateNumber($day);
            if ($date >= $first && $date <= ($odd->count('last') ?? $first)) {
                return DayOwner::oddDay($odd);
            }
        }
        foreach ($this->body->parts('spells') as $spell) {
            if ($this->covers($spell, $day)) {
                return DayOwner::spell($spell);
            }
        }
        foreach ($this->almanacs as $almanac) {
            $feast = $almanac->feastOn($day);
            if ($feast !== null) {
                return DayOwner::feast($feast);
            }
        }

        return DayOwner::week($this->body);
    }

    private function covers(Part $spell, int $day): bool
    {
        $first = Clock::dayNumber($spell->number('first'));
        $again = $spell->text('again');
        if ($again !== null) {
            return Recurring::parse($again)->hasDay($first, $day);
        }

        return $day >= $first && Clock::dateNumber($day) <= ($spell->count('last') ?? $spell->number('first'));
    }

    /**
     * A closed day ends the shift that came from the day before: an odd day, a feast, or a day that a spell leaves
     * without hours.
     */
    private function isClosed(DayOwner $owner, int $day): bool
    {
        return $owner->isDated() || (
            $owner->isSpell() && array_merge(
                ...array_map(fn (Part $piece): array => $this->minutes($piece, $owner, $day), $owner->pieces),
            ) === []
        );
    }

    private function isWithin(DayOwner $owner, int $day, int $instant): bool
    {
        foreach ($owner->pieces as $piece) {
            foreach ($this->minutes($piece, $owner, $day) as [$starts, $stops]) {
                if (
                    $instant >= $this->clock->instant($day, $starts) && $instant < $this->clock->instant($day, $stops)
                ) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * @return list<array{int, int}> minutes since the day's midnight; a second past a day's end leads into the next day
     */
    private function minutes(Part $piece, DayOwner $owner, int $day): array
    {
        $runs = $piece->numbers('runs');
        if (count($runs) === 2) {
            return $this->cutToDay($runs[0], $runs[1], Clock::weekday($day) * self::DAY);
        }
        $isToday = $owner->everyDay || ($piece->number('days') >> Clock::weekday($day) & 1) === 1;
        $starts = $piece->number('starts');
        $stops = $piece->number('stops');

        return $isToday ? [[$starts, $stops > $starts ? $stops : $stops + self::DAY]] : [];
    }

    /**
     * @return list<array{int, int}> the part of a run through the week that falls on the day which begins at that
     *     minute of the week
     */
    private function cutToDay(int $from, int $to, int $midnight): array
    {
        $to = $to > $from ? $to : $to + self::WEEK;
        $minutes = [];
        foreach ([0, self::WEEK] as $shift) {
            $starts = max(0, $from - $midnight - $shift);
            $stops = min(self::DAY, $to - $midnight - $shift);
            if ($starts < $stops) {
                $minutes[] = [$starts, $stops];
            }
        }

        return $minutes;
    }
}
