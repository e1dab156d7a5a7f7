<?php

declare(strict_types=1);

namespace Tests\Core\Hours;

use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Calendar;
use Jaunty\Core\Hours\CalendarLine;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Hours\SpokenHolidays;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class SpokenHolidaysTest extends TestCase
{
    /** @param array{string, string, list<string>} $expected name, what it goes by, next dates from 1 December 2026 */
    #[DataProvider('lines')]
    public function test_a_line_is_understood_and_gives_dates(string $line, array $expected): void
    {
        $read = SpokenHolidays::read($line);
        self::assertSame([], $read['faults']);
        $calendar = self::calendar($read['holidays']);
        $told = CalendarLine::of($calendar, LocalDate::of(2026, 12, 1))[0];

        self::assertSame($expected, [$calendar->holidays[0]->name, $told['goesBy'], $told['next']]);
    }

    /** @return iterable<string, array{string, array{string, string, list<string>}}> */
    public static function lines(): iterable
    {
        yield 'a date in front' => ['24 Dec 2026 Christmas Eve', ['Christmas Eve', 'one day', ['2026-12-24']]];
        yield 'behind, from a sheet' => ["Stock-taking\t2027-01-04", ['Stock-taking', 'one day', ['2027-01-04']]];
        yield 'every year' => ['Founders\' Day, 3rd May', ['Founders\' Day', '3 May', ['2027-05-03', '2028-05-03']]];
        yield 'month first' => ['Dec. 26: Boxing Day', ['Boxing Day', '26 December', ['2026-12-26', '2027-12-26']]];
        yield 'a weekday of a month' => [
            'the first Monday of August - Natal Day',
            ['Natal Day', 'first Monday of August', ['2027-08-02', '2028-08-07']],
        ];
        yield 'the last one' => [
            'Spring holiday: last Mon in May',
            ['Spring holiday', 'last Monday of May', ['2027-05-31', '2028-05-29']],
        ];
        yield 'a feast' => [
            'Good Friday',
            ['Good Friday', '2 days before Easter Sunday', ['2027-03-26', '2028-04-14']],
        ];
        yield 'leap day' => ['29 February Leap Day', ['Leap Day', '29 February', ['2028-02-29']]];
    }

    #[DataProvider('unclear')]
    public function test_what_is_not_understood_is_told_with_its_line_and_nothing_is_taken(
        string $line,
        string $why,
    ): void {
        $read = SpokenHolidays::read("25 December Christmas Day\n{$line}");

        self::assertSame([[], [$line]], [$read['holidays'], array_column($read['faults'], 'text')]);
        self::assertStringContainsString($why, $read['faults'][0]['why']);
    }

    /** @return iterable<string, array{string, string}> */
    public static function unclear(): iterable
    {
        yield 'figures alone' => ['3/4/2027 Away day', '3/4/2027 may be read as two days'];
        yield 'no such day' => ['31 Nov Away day', 'there is no 31 Nov'];
        yield 'no such day this year' => ['29 Feb 2027 Away day', 'there is no 29 Feb 2027'];
        yield 'no day' => ['Away day', 'has no day that is known here'];
        yield 'no name' => ['2027-06-01', 'has a day and no name'];
    }

    public function test_nothing_said_is_told(): void
    {
        self::assertStringContainsString('no holiday was found', SpokenHolidays::read(" \n")['faults'][0]['why']);
    }

    public function test_days_in_lieu_are_the_holidays_dates(): void
    {
        $rule = ['rule' => ['fixed' => '12-26'], 'name' => 'Boxing Day'];

        self::assertSame(['26 December', ['2026-12-28', '2027-12-27']], array_slice(
            array_values(
                CalendarLine::of(
                    self::calendar([$rule + ['whenWeekend' => 'substitute']]),
                    LocalDate::of(2026, 12, 1),
                )[0],
            ),
            1,
        ));
        self::assertSame(
            ['2026-12-26', '2026-12-28'],
            CalendarLine::of(
                self::calendar([$rule + ['whenWeekend' => 'both']]),
                LocalDate::of(2026, 12, 1),
            )[0]['next'],
        );
    }

    /** @param list<array<string, mixed>> $holidays */
    private static function calendar(array $holidays): Calendar
    {
        $items = array_map(
            static fn (array $holiday, int $place): array => ['item' => "h{$place}"] + $holiday,
            $holidays,
            array_keys($holidays),
        );

        return BookFormat::fromValue([
            'format' => BookFormat::FORMAT, 'version' => BookFormat::VERSION,
            'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'calendars' => [['key' => 'own', 'holidays' => $items]],
        ])->all(Calendar::class)[0];
    }
}
