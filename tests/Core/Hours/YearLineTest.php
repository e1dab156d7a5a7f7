<?php

declare(strict_types=1);

namespace Tests\Core\Hours;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Hours\ScheduleClock;
use Jaunty\Core\Hours\YearLine;
use Jaunty\Core\Hours\ZoneClock;
use PHPUnit\Framework\TestCase;

final class YearLineTest extends TestCase
{
    public function test_days_exceptions_clock_changes_and_the_end_of_the_calendar(): void
    {
        [$schedule, $book] = self::office();
        $line = YearLine::of($schedule, $book, 'America/Halifax', LocalDate::parse('2026-12-01'));

        self::assertSame([540, 540, 540, 540, 0, 0], array_slice($line->minutes, 0, 6));
        self::assertSame(['2027-03-14' => 'forward', '2027-11-07' => 'back'], $line->clocks);
        self::assertSame('2027-09-27', $line->knownUntil);
        self::assertSame([
            [
                'from' => '2026-12-24', 'to' => '2026-12-24', 'what' => 'Christmas Eve', 'owner' => 'exception:eve',
                'whose' => '', 'hours' => '08:00 to 12:00', 'states' => ['open', 'closed'],
            ],
            [
                'from' => '2026-12-25', 'to' => '2026-12-25', 'what' => 'Christmas Day', 'owner' => 'holiday:christmas',
                'whose' => 'Nova Scotia', 'hours' => 'holiday', 'states' => ['holiday:christmas'],
            ],
            [
                'from' => '2027-04-12', 'to' => '2027-04-16', 'what' => 'Refit week', 'owner' => 'period:refit',
                'whose' => '', 'hours' => '09:00 to 13:00', 'states' => ['period:refit', 'closed'],
            ],
        ], $line->special);
        self::assertSame(240, $line->minutes[23]);
    }

    /** Hours that stay within their day add up to what the clock says of the year, hour lost and won counted. */
    public function test_its_minutes_are_those_of_the_timeline(): void
    {
        [$schedule, $book] = self::office();
        $from = LocalDate::parse('2026-12-01');
        $zone = ZoneClock::of('America/Halifax');
        $begin = $zone->instantOf($from * LocalDate::MINUTES);
        $timeline = ScheduleClock::of($schedule, $book, 'America/Halifax')->timeline(
            $begin,
            $zone->instantOf(($from + YearLine::DAYS) * LocalDate::MINUTES) - $begin,
        );
        $open = 0;
        foreach ($timeline->states as $place => $state) {
            $open += $state === 'open' || str_starts_with($state, 'period:')
                ? ($timeline->from[$place + 1] ?? $timeline->until) - $timeline->from[$place]
                : 0;
        }

        self::assertSame($open, 60 * array_sum(YearLine::of($schedule, $book, 'America/Halifax', $from)->minutes));
    }

    /** @return array{Schedule, Book} */
    private static function office(): array
    {
        $book = BookFormat::fromValue([
            'format' => BookFormat::FORMAT, 'version' => 1, 'tenant' => ['key' => 't', 'zone' => 'America/Halifax'],
            'schedules' => [[
                'key' => 'hours',
                'weekly' => [[
                    'item' => 'week', 'days' => ['mon', 'tue', 'wed', 'thu', 'fri'], 'from' => '08:00', 'to' => '17:00',
                ]],
                'exceptions' => [['item' => 'eve', 'from' => '2026-12-24', 'name' => 'Christmas Eve', 'hours' => [
                    ['from' => '08:00', 'to' => '12:00'],
                ]]],
                'periods' => [[
                    'item' => 'refit', 'name' => 'Refit week', 'from' => '2027-04-12', 'to' => '2027-04-16',
                    'weekly' => [[
                        'item' => 'w', 'days' => ['mon', 'tue', 'wed', 'thu', 'fri'], 'from' => '09:00',
                        'to' => '13:00',
                    ]],
                ]],
                'calendars' => ['calendar:ns'],
            ]],
            'calendars' => [['key' => 'ns', 'name' => 'Nova Scotia', 'knownUntil' => '2027-09-27', 'holidays' => [
                ['item' => 'christmas', 'name' => 'Christmas Day', 'date' => '2026-12-25'],
            ]]],
        ]);
        $schedule = $book->find(Reference::to(Kind::Schedule, 'hours'));
        self::assertInstanceOf(Schedule::class, $schedule);

        return [$schedule, $book];
    }
}
