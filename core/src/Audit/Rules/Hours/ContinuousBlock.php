<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Hours;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Audit\Threshold;
use Jaunty\Core\Book\ClockTime;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Book\WeeklyPiece;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Words\Message;

/** Hours that are one block through several nights. */
final readonly class ContinuousBlock implements Rule
{
    public function about(): About
    {
        return new About(
            'hours.continuous-block',
            Severity::Error,
            thresholds: [Threshold::LongestSpanHours],
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $longest = $inspection->threshold(Threshold::LongestSpanHours) * 60;
        foreach ($inspection->book->all(Schedule::class) as $schedule) {
            yield from $this->blocks($schedule, $schedule->weekly, 'weekly', $schedule->name, $longest);
            foreach ($schedule->periods as $period) {
                yield from $this->blocks(
                    $schedule,
                    $period->weekly,
                    "periods/{$period->item}/weekly",
                    "{$schedule->name}, {$period->name}",
                    $longest,
                );
            }
        }
    }

    /**
     * @param  list<WeeklyPiece>  $weekly
     * @param  int  $longest  minutes
     * @return iterable<Found>
     */
    private function blocks(Schedule $schedule, array $weekly, string $path, string $name, int $longest): iterable
    {
        foreach ($weekly as $piece) {
            if ($piece->span === null) {
                continue;
            }
            [$from, $to] = $piece->span;
            $minutes = $to <= $from ? $to + 7 * LocalDate::MINUTES - $from : $to - $from;
            if ($minutes > $longest) {
                yield Found::of(
                    [
                        'name' => $name,
                        'hours' => intdiv($minutes, 60),
                        'from' => $this->said($from),
                        'to' => $this->said($to),
                    ],
                    $schedule,
                )
                    ->at($path, $path === 'weekly' ? $piece->item : "{$path}/{$piece->item}")
                    ->fixedBy($this->daily($schedule, $weekly, $path, $piece));
            }
        }
    }

    /**
     * The same hours each day, where the block begins and ends as a day would.
     *
     * @param  list<WeeklyPiece>  $all  of the week
     */
    private function daily(Schedule $schedule, array $all, string $path, WeeklyPiece $piece): ?Fix
    {
        [$from, $to] = $piece->span ?? [0, 0];
        [$first, $last] = [intdiv($from, LocalDate::MINUTES), intdiv($to, LocalDate::MINUTES)];
        [$opens, $closes] = [$from % LocalDate::MINUTES, $to % LocalDate::MINUTES];
        if ($last <= $first || $closes <= $opens) {
            return null;
        }
        $days = array_slice(ClockTime::DAYS, $first, $last - $first + 1);
        $weekly = array_map(
            static fn (WeeklyPiece $each): array => $each === $piece
                ? [
                    'item' => $piece->item, 'days' => $days, 'from' => ClockTime::text($opens),
                    'to' => ClockTime::text($closes),
                ]
                : $each->toArray(),
            $all,
        );

        return Fix::set(
            LocalDate::DAYS[$first] . ' to ' . LocalDate::DAYS[$last] . ', ' . ClockTime::text(
                $opens,
            ) . ' to ' . ClockTime::text($closes) . ' each day',
            $schedule,
            $path,
            $weekly,
        );
    }

    private function said(int $minute): Message
    {
        return new Message('weekTime', [
            'day' => new Message('weekday/' . ClockTime::DAYS[intdiv($minute, LocalDate::MINUTES) % 7]),
            'time' => ClockTime::text($minute % LocalDate::MINUTES),
        ]);
    }
}
