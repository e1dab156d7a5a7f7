<?php

declare(strict_types=1);

namespace Tests\Core\Hours;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\ClockTime;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Hours\ScheduleClock;
use Jaunty\Core\Hours\ZoneClock;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Schedules compiled to timelines, against the text of design 03 section 3 read minute by minute. */
final class ScheduleClockTest extends TestCase
{
    private const FIRST = '2026-03-02';

    private const DAYS = 14;

    /** @param array<string, mixed> $schedule */
    #[DataProvider('schedules')]
    public function test_every_minute_is_what_the_text_says(array $schedule): void
    {
        $clock = ScheduleClock::of(...[...$this->book($schedule), 'UTC']);
        $first = LocalDate::parse(self::FIRST);
        $timeline = $clock->timeline($first * 86_400, self::DAYS * 86_400);
        for ($day = $first; $day < $first + self::DAYS; $day++) {
            for ($minute = 0; $minute < 1440; $minute += 30) {
                $instant = ($day * 1440 + $minute) * 60;
                self::assertSame(
                    $this->slow($schedule, $day, $minute),
                    $timeline->at($instant),
                    LocalDate::text($day) . " minute {$minute}: " . json_encode($schedule),
                );
            }
        }
        self::assertSame($timeline->at($first * 86_400 + 45_000), $clock->at($first * 86_400 + 45_000));
    }

    /**
     * In any zone the wall clock decides, but for the two hours around a change of the clocks, which tests/Outside
     * holds.
     *
     * @param array<string, mixed> $schedule
     */
    #[DataProvider('schedules')]
    public function test_the_wall_clock_of_the_zone_decides(array $schedule): void
    {
        $checked = 0;
        foreach (['America/Halifax', 'Australia/Lord_Howe', 'Africa/Cairo'] as $zone) {
            $wall = ZoneClock::of($zone);
            $from = $wall->instantOf(LocalDate::parse(self::FIRST) * 1440);
            // Sixty days hold the change of each: by an hour, by half an hour, and at midnight.
            $timeline = ScheduleClock::of(...[...$this->book($schedule), $zone])->timeline($from, 60 * 86_400);
            self::assertCount(1, $changes = $wall->changesBetween($from, $timeline->until));
            for ($instant = $from; $instant < $timeline->until; $instant += 3600) {
                if (abs($instant - $changes[0]) > 7200) {
                    $minutes = $wall->localMinutes($instant);
                    self::assertSame(
                        $this->slow($schedule, intdiv($minutes, 1440), $minutes % 1440),
                        $timeline->at($instant),
                        "{$zone} " . gmdate('c', $instant),
                    );
                    $checked++;
                }
            }
        }
        self::assertGreaterThan(4000, $checked);
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function schedules(): iterable
    {
        foreach (range(1, 60) as $seed) {
            $dice = new Randomizer(new Mt19937($seed));
            $hours = static fn (): array => [
                'from' => ClockTime::text(30 * $dice->getInt(0, 47)),
                'to' => ClockTime::text(30 * $dice->getInt(0, 47)),
            ];
            $date = static fn (int $after): string => LocalDate::text(LocalDate::parse(self::FIRST) + $after);
            $start = $dice->getInt(0, 12);
            yield "seed {$seed}" => [[
                'key' => 's', 'finishShift' => $dice->getInt(0, 1) === 1, 'calendars' => ['calendar:c'],
                'weekly' => [
                    [
                        'item' => 'a',
                        'days' => $dice->getInt(0, 1) === 1 ? ['mon', 'tue', 'wed', 'thu', 'fri'] : ClockTime::DAYS,
                    ]
                    + $hours(),
                    ...($dice->getInt(0, 1) === 1 ? [['item' => 'b', 'days' => ['fri', 'sun']] + $hours()] : []),
                ],
                'exceptions' => $dice->getInt(0, 2) === 0
                    ? []
                    : [[
                        'item' => 'x', 'from' => $date($start), 'to' => $date($start + $dice->getInt(0, 2)),
                        'hours' => $dice->getInt(0, 1) === 1 ? [$hours()] : [],
                        'announcedAs' => ['closed', 'holiday', 'open'][$dice->getInt(0, 2)],
                    ]],
                'periods' => $dice->getInt(0, 2) === 0 ? [] : [
                    ['item' => 'p', 'from' => $date(5), 'to' => $date(8), 'weekly' => $dice->getInt(0, 2) === 0 ? [] : [
                        ['item' => 'w', 'days' => ['sat', 'sun', 'mon']] + $hours(),
                    ]],
                ],
            ]];
        }
    }

    /** @param array<string, mixed> $schedule */
    private function slow(array $schedule, int $day, int $minute): string
    {
        [$owner, $inside, $outside, $hours, $isClosedDate] = $this->owner($schedule, $day);
        foreach ($hours as [$from, $to]) {
            if ($from <= $minute && $minute < $to) {
                return $inside;
            }
        }
        [$before, $insideBefore, , $hoursBefore] = $this->owner($schedule, $day - 1);
        $runsOn = ! $isClosedDate || $schedule['finishShift'] === true || ($owner === $before && $owner !== 'week');
        foreach ($runsOn ? $hoursBefore : [] as [, $to]) {
            if ($minute < $to - 1440) {
                return $insideBefore;
            }
        }

        return $outside;
    }

    /**
     * @param  array<string, mixed>  $schedule
     * @return array{string, string, string, list<array{int, int}>, bool} who owns a date, its state in and outside
     *     hours, its hours, and whether it is a closed date
     */
    private function owner(array $schedule, int $day): array
    {
        $date = LocalDate::text($day);
        foreach ((array) $schedule['exceptions'] as $exception) {
            if (is_array($exception) && $exception['from'] <= $date && $date <= $exception['to']) {
                return [
                    'x', 'open',
                    ['closed' => 'closed', 'holiday' => 'holiday:x', 'open' => 'open'][$exception['announcedAs']],
                    $this->intervals($exception['hours'], null), true,
                ];
            }
        }
        foreach ((array) $schedule['periods'] as $period) {
            if (is_array($period) && $period['from'] <= $date && $date <= $period['to']) {
                $hours = $this->intervals($period['weekly'], $day);

                return ['p', 'period:p', 'closed', $hours, $hours === []];
            }
        }
        if (in_array($date, ['2026-03-05', '2026-03-11'], true)) {
            return ["h{$date}", 'open', 'holiday:' . ($date === '2026-03-05' ? 'one' : 'two'), [], true];
        }

        return ['week', 'open', 'closed', $this->intervals($schedule['weekly'], $day), false];
    }

    /** @return list<array{int, int}> */
    private function intervals(mixed $pieces, ?int $day): array
    {
        $intervals = [];
        foreach ((array) $pieces as $piece) {
            if (is_array($piece) && (
                $day === null || in_array(ClockTime::DAYS[LocalDate::weekday($day)], $piece['days'], true)
            )) {
                $minutes = static fn (string $clock): int => (int) substr($clock, 0, 2) * 60 + (int) substr($clock, 3);
                [$from, $to] = [$minutes($piece['from']), $minutes($piece['to'])];
                $intervals[] = [$from, $to <= $from ? $to + 1440 : $to];
            }
        }

        return $intervals;
    }

    /**
     * @param  array<string, mixed>  $schedule
     * @return array{Schedule, Book}
     */
    private function book(array $schedule): array
    {
        $book = BookFormat::fromValue([
            'format' => 'jaunty-roster/tenant-book', 'version' => 1, 'tenant' => ['key' => 'inlet', 'zone' => 'UTC'],
            'schedules' => [$schedule],
            'calendars' => [[
                'key' => 'c',
                'holidays' => [['item' => 'one', 'date' => '2026-03-05'], ['item' => 'two', 'date' => '2026-03-11']],
            ]],
        ]);
        $read = $book->ofKind(Kind::Schedule)[0];

        return $read instanceof Schedule ? [$read, $book] : throw new \LogicException('no schedule');
    }
}
