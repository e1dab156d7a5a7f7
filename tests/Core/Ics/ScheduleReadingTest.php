<?php

declare(strict_types=1);

namespace Tests\Core\Ics;

use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Hours\HolidayRegions;
use Jaunty\Core\Hours\HoursState;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Hours\ScheduleClock;
use Jaunty\Core\Ics\HolidayReading;
use Jaunty\Core\Ics\ScheduleReading;
use Jaunty\Core\Ics\UnusableIcs;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Books;
use Tests\Core\Calls\CaseBooksTest;

final class ScheduleReadingTest extends TestCase
{
    private const STAMPED = 1_796_083_200; // 2026-12-01T00:00:00Z

    private const ZONES = ['America/Halifax', 'Europe/London', 'Asia/Kathmandu'];

    /** The law: what is taken out comes back as it was. */
    #[DataProvider('schedules')]
    public function test_a_schedule_comes_back_as_it_went(Schedule $schedule): void
    {
        foreach (self::ZONES as $zone) {
            [$back, $in, $notes] = ScheduleReading::read(self::written($schedule, $zone), 'other', 'Pacific/Auckland');

            self::assertSame([$schedule->toArray(), $zone, []], [$back->toArray(), $in, $notes]);
        }
    }

    /**
     * The law: what a calendar program shows is what holds, so a schedule read from its events alone says the same at
     * every quarter of an hour.
     */
    #[DataProvider('schedules')]
    public function test_events_alone_say_what_the_schedule_says(Schedule $schedule): void
    {
        $fields = $schedule->toArray();
        // What no event can say, and the reading says it lost: rules of periods with hours, hours running on into
        // closed dates, calendars of their own.
        $fields['periods'] = array_values(
            array_filter($fields['periods'], static fn (array $period): bool => ($period['rrule'] ?? null) === null),
        );
        $fields['calendars'] = [];
        $fields['finishShift'] = false;
        $fields['fixedZone'] = null;
        $schedule = Schedule::read(Node::of($fields));
        $zone = 'America/Halifax';
        $text = (string) preg_replace('/^X-ROSTER-SCHEDULE:.*\R(?: .*\R)*/m', '', self::written($schedule, $zone));
        [$back, , $notes] = ScheduleReading::read($text, 'other', $zone);
        $book = Books::small();
        [$was, $is] = [ScheduleClock::of($schedule, $book, $zone), ScheduleClock::of($back, $book, $zone)];

        self::assertSame(
            $fields['weekly'] === [] && $fields['exceptions'] === [] && $fields['periods'] === [] ? 0 : 1,
            count($notes),
            implode('. ', $notes),
        );
        $from = self::STAMPED + 4 * 3600;
        foreach ([$from, $from + 180 * 86_400] as $begin) {
            $one = $was->timeline($begin, 40 * 86_400);
            $other = $is->timeline($begin, 40 * 86_400);
            for ($instant = $begin; $instant < $begin + 40 * 86_400; $instant += 900) {
                self::assertSame(
                    HoursState::of($one->at($instant)),
                    HoursState::of($other->at($instant)),
                    gmdate('c', $instant) . "\n{$text}",
                );
            }
        }
    }

    /** @return iterable<string, array{Schedule}> */
    public static function schedules(): iterable
    {
        $seen = [];
        foreach (CaseBooksTest::books() as $name => [$json]) {
            foreach (BookFormat::fromJson($json)->ofKind(Kind::Schedule) as $schedule) {
                if ($schedule instanceof Schedule && ! isset(
                    $seen[$text = serialize([...$schedule->toArray(), 'key' => '', 'name' => ''])],
                )) {
                    $seen[$text] = true;
                    yield "{$name} {$schedule->key}" => [$schedule];
                }
            }
        }
    }

    /** A fortnight of shorter hours must not come back as a fortnight shut. */
    public function test_the_hours_of_a_period_are_kept_by_the_names_of_their_events(): void
    {
        $schedule = self::schedule([
            'weekly' => [
                ['item' => 'day', 'days' => ['mon', 'tue', 'wed', 'thu', 'fri'], 'from' => '08:00', 'to' => '17:00'],
            ],
            'periods' => [
                ['item' => 'summer', 'name' => 'Summer', 'from' => '2027-07-05', 'to' => '2027-07-16', 'weekly' => [
                    ['item' => 'w', 'days' => ['mon', 'tue', 'wed', 'thu', 'fri'], 'from' => '09:00', 'to' => '13:00'],
                ]],
            ],
        ]);
        $text = (string) preg_replace(
            '/^X-ROSTER-\w+:.*\R(?: .*\R)*/m',
            '',
            self::written($schedule, 'America/Halifax'),
        );

        [$back, , $notes] = ScheduleReading::read($text, 'other', 'America/Halifax');

        self::assertSame($schedule->toArray()['periods'], $back->toArray()['periods']);
        self::assertCount(1, $notes);
        self::assertStringContainsString('no longer holds the schedule', $notes[0]);
    }

    public function test_what_was_moved_taken_out_and_added_in_a_calendar_program_is_read_and_the_rest_left(): void
    {
        $schedule = self::schedule([
            'weekly' => [['item' => 'day', 'days' => ['mon', 'tue'], 'from' => '08:00', 'to' => '12:00'], [
                'item' => 'late', 'days' => ['wed'], 'from' => '12:00', 'to' => '20:00',
            ]],
            'exceptions' => [
                ['item' => 'stock', 'from' => '2027-01-10', 'name' => 'Stock-taking'],
                ['item' => 'fair', 'from' => '2027-02-01', 'announcedAs' => 'holiday'],
            ],
            'periods' => [[
                'item' => 'fridays', 'name' => 'Summer Fridays', 'from' => '2027-06-04',
                'rrule' => 'FREQ=WEEKLY;BYDAY=FR;COUNT=10',
                'weekly' => [['item' => 'short', 'days' => ['fri'], 'from' => '08:00', 'to' => '13:00']],
            ]],
        ]);
        $text = self::written($schedule, 'America/Halifax');
        $text = str_replace(
            'DTEND;TZID=America/Halifax:20261201T120000',
            'DTEND;TZID=America/Halifax:20261201T123000',
            $text,
        );
        $text = (string) preg_replace('/BEGIN:VEVENT\RUID:exceptions\/stock.*?END:VEVENT\R/s', '', $text);
        $text = str_replace(
            'END:VCALENDAR',
            implode("\r\n", [
                'BEGIN:VEVENT', 'UID:new', 'SUMMARY:Regatta', 'DTSTART;VALUE=DATE:20270805',
                'DTEND;VALUE=DATE:20270807', 'END:VEVENT', 'END:VCALENDAR',
            ]),
            $text,
        );
        [$back, , $notes] = ScheduleReading::read($text, 'other', 'Europe/London');
        $expected = $schedule->toArray();
        $expected['weekly'][0]['to'] = '12:30';
        $expected['exceptions'] = [$expected['exceptions'][1], [
            'item' => 'regatta', 'from' => '2027-08-05', 'to' => '2027-08-06', 'name' => 'Regatta', 'hours' => [],
            'announcedAs' => 'closed',
        ]];

        self::assertSame([$expected, []], [$back->toArray(), $notes]);
    }

    public function test_another_program_s_file_is_read_and_what_cannot_be_is_said(): void
    {
        $text = str_replace("\n", "\r\n", <<<'ICS'
            BEGIN:VCALENDAR
            VERSION:2.0
            PRODID:-//Example//Calendar//EN
            BEGIN:VTIMEZONE
            TZID:Atlantic time
            X-LIC-LOCATION:America/Halifax
            BEGIN:STANDARD
            DTSTART:20071104T020000
            TZOFFSETFROM:-0300
            TZOFFSETTO:-0400
            END:STANDARD
            END:VTIMEZONE
            BEGIN:VEVENT
            UID:1
            SUMMARY:Shop\, front counter
            DTSTART;TZID=Atlantic time:20261201T080000
            DURATION:PT9H
            RRULE:FREQ=WEEKLY;WKST=SU;BYDAY=MO,TU,
             WE
            END:VEVENT
            BEGIN:VEVENT
            UID:2
            SUMMARY:Night ferry
            DTSTART;TZID=Atlantic time:20261204T220000
            DTEND;TZID=Atlantic time:20261205T060000
            RRULE:FREQ=WEEKLY
            END:VEVENT
            BEGIN:VEVENT
            UID:3
            SUMMARY:Late opening
            DTSTART:20261223T220000Z
            DTEND:20261224T010000Z
            END:VEVENT
            BEGIN:VEVENT
            UID:4
            SUMMARY:Second Saturdays
            DTSTART;TZID=Atlantic time:20261212T090000
            DTEND;TZID=Atlantic time:20261212T120000
            RRULE:FREQ=MONTHLY;BYDAY=2SA
            EXDATE;TZID=Atlantic time:20270109T090000
            END:VEVENT
            BEGIN:VEVENT
            UID:5
            SUMMARY:Call with head office
            DTSTART;TZID=Europe/London:20261202T100000
            DTEND;TZID=Europe/London:20261202T110000
            RRULE:FREQ=DAILY
            END:VEVENT
            BEGIN:VEVENT
            UID:6
            SUMMARY:Backwards
            DTSTART;VALUE=DATE:20261225
            DTEND;VALUE=DATE:20261224
            END:VEVENT
            BEGIN:VEVENT
            UID:7
            SUMMARY:Called off
            STATUS:CANCELLED
            DTSTART;VALUE=DATE:20261226
            END:VEVENT
            END:VCALENDAR
            ICS) . "\r\n";
        [$schedule, $zone, $notes] = ScheduleReading::read($text, 'shop', 'Europe/London');

        self::assertSame('America/Halifax', $zone);
        self::assertSame([
            [
                'item' => 'shop-front-counter', 'days' => ['mon', 'tue', 'wed'], 'from' => '08:00', 'to' => '17:00',
                'span' => null,
            ],
            ['item' => 'night-ferry', 'days' => ['fri'], 'from' => '22:00', 'to' => '06:00', 'span' => null],
        ], $schedule->toArray()['weekly']);
        self::assertSame(
            [[
                'item' => 'late-opening', 'from' => '2026-12-23', 'to' => '2026-12-23', 'name' => 'Late opening',
                'hours' => [['from' => '18:00', 'to' => '21:00']], 'announcedAs' => 'closed',
            ]],
            $schedule->toArray()['exceptions'],
        );
        self::assertSame('FREQ=MONTHLY;BYDAY=2SA', $schedule->periods[0]->rrule);
        self::assertSame([
            '"Second Saturdays" leaves out single dates (EXDATE); enter those as exceptions',
            '"Call with head office" recurs in Europe/London, the others are in America/Halifax; hours of one schedule '
                . 'are in one zone',
            '"Backwards" ends before it begins',
        ], $notes);
    }

    #[DataProvider('regions')]
    public function test_the_holidays_of_every_region_come_back_as_they_went_and_as_their_dates(string $region): void
    {
        $calendar = HolidayRegions::calendar($region, 'holidays', 2026, 2028) ?? self::fail($region);
        $text = HolidayReading::write($calendar, 'America/Halifax', 2026, 2028, self::STAMPED);

        [$back, $notes] = HolidayReading::read($text, 'other', 'Europe/London');
        self::assertSame([$calendar->toArray(), []], [$back->toArray(), $notes]);

        [$plain, $notes] = HolidayReading::read(
            (string) preg_replace('/^X-ROSTER-CALENDAR:.*\R(?: .*\R)*/m', '', $text),
            'other',
            'Europe/London',
        );
        $dates = static fn (\Jaunty\Core\Book\Calendar $of): array => array_keys(array_filter(
            \Jaunty\Core\Hours\CalendarDates::of($of, 2026, 2028)->all(),
            static fn (int $day): bool => in_array(LocalDate::parts($day)[0], [2026, 2027, 2028], true),
            ARRAY_FILTER_USE_KEY,
        ));
        self::assertSame([$dates($calendar), []], [$dates($plain), $notes]);
    }

    /** @return iterable<string, array{string}> */
    public static function regions(): iterable
    {
        foreach (array_keys(HolidayRegions::names()) as $region) {
            yield $region => [$region];
        }
    }

    #[DataProvider('unusable')]
    public function test_what_is_no_calendar_is_refused_with_the_cause(string $text, string $cause): void
    {
        $this->expectException(UnusableIcs::class);
        $this->expectExceptionMessageMatches($cause);
        ScheduleReading::read($text, 'x', 'Europe/London');
    }

    /** @return iterable<string, array{string, string}> */
    public static function unusable(): iterable
    {
        yield 'nothing' => ['', '/no iCalendar file/'];
        yield 'something else' => ['{"format": 1}', '/no iCalendar file/'];
        yield 'a card' => ["BEGIN:VCARD\r\nVERSION:4.0\r\nFN:R. Imre\r\nEND:VCARD\r\n", '/BEGIN:VCALENDAR/'];
        yield 'cut short' => ["BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\n", '/no iCalendar file/'];
        yield 'too large' => [
            "BEGIN:VCALENDAR\r\n" . str_repeat("X-A:b\r\n", 200_000) . "END:VCALENDAR\r\n",
            '/1024 KB/',
        ];
        yield 'too many' => [
            "BEGIN:VCALENDAR\r\n" . str_repeat("BEGIN:VEVENT\r\nEND:VEVENT\r\n", 5_001) . "END:VCALENDAR\r\n",
            '/5001 events/',
        ];
    }

    /** @param array<string, mixed> $fields */
    private static function schedule(array $fields): Schedule
    {
        return Schedule::read(Node::of(['key' => 'office'] + $fields));
    }

    private static function written(Schedule $schedule, string $zone): string
    {
        return ScheduleReading::write($schedule, $zone, LocalDate::parse('2026-12-01'), self::STAMPED);
    }
}
