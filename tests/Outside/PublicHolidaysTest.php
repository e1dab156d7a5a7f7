<?php

declare(strict_types=1);

namespace Tests\Outside;

use Jaunty\Core\Book\Calendar;
use Jaunty\Core\Hours\CalendarDates;
use Jaunty\Core\Hours\HolidayRegions;
use Jaunty\Core\Hours\LocalDate;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Our calendars against public_holidays.csv (npm date-holidays 3.37.0, 2024 to 2028) and us_federal_holidays.csv (5
 * U.S.C. 6103 and E.O. 11582, as recalled). Each place where they part is decided below; a date not named there must
 * agree.
 */
final class PublicHolidaysTest extends TestCase
{
    private const FIRST = 2024;

    private const LAST = 2028;

    /** Days the package has and we have not, by region: month and day, or a date. */
    private const NOT_OURS = [
        // Ontario's act has nine days, and Easter Monday is none of them (from memory).
        'CA-ON' => ['2024-04-01', '2025-04-21', '2026-04-06', '2027-03-29', '2028-04-17'],
    ];

    /** Days we have and the package has not. */
    private const OURS = [
        // For Canada the package lists only what all provinces share; the Canada Labour Code has more (from memory).
        // The package marks the observed Veterans Day of 2028 "bank"; by Executive Order 11582 it is a day off like the
        // others.
        'US' => ['veterans-day-observed'],
        'CA' => ['victoria-day', 'truth-and-reconciliation', 'thanksgiving', 'remembrance-day', 'boxing-day'],
    ];

    #[DataProvider('regions')]
    public function test_a_region_s_days_off_are_those_of_the_package_but_for_what_is_decided(string $region): void
    {
        $theirs = [];
        foreach (RefData::csv('public_holidays.csv') as $row) {
            // What is marked "bank" is custom of banks there, no public holiday.
            if ($row['region'] === $region && $row['type'] === 'public' && ! in_array(
                $row['date'],
                self::NOT_OURS[$region] ?? [],
                true,
            )) {
                $theirs[$row['date']] = true;
            }
        }
        $ours = [];
        foreach ($this->days($region) as $date => $item) {
            if (! in_array(preg_replace('/-\d{4}$/D', '', $item), self::OURS[$region] ?? [], true)) {
                $ours[$date] = true;
            }
        }
        ksort($theirs);

        self::assertNotEmpty($theirs);
        self::assertSame(array_keys($theirs), array_keys($ours));
    }

    /** @return iterable<string, array{string}> */
    public static function regions(): iterable
    {
        foreach (array_unique(array_column([...RefData::csv('public_holidays.csv')], 'region')) as $region) {
            yield $region => [$region];
        }
    }

    public function test_the_days_off_of_federal_offices_are_observed(): void
    {
        $days = $this->days('US');
        foreach (RefData::csv('us_federal_holidays.csv') as $row) {
            if ($row['holiday_year'] >= self::FIRST && $row['holiday_year'] <= self::LAST) {
                self::assertArrayHasKey($row['observed'], $days, "{$row['name']} {$row['holiday_year']}");
                self::assertArrayHasKey($row['date'], $days);
            }
        }
    }

    /** Where two packages part, we side with the one the note of the file names. */
    public function test_every_disagreement_between_packages_is_decided(): void
    {
        // In the file's words: who is right. The rest of each region's rows is as the note says.
        $sides = [
            'GB-ENG' => 'date-holidays', 'IE' => 'date-holidays', 'NZ' => 'date-holidays', 'DE-BY' => 'date-holidays',
            'AU-NSW' => 'date-holidays', 'CA-ON' => 'neither', 'CA' => 'neither', 'US' => 'both',
        ];
        $checked = [];
        foreach (RefData::csv('holiday_disagreements.csv') as $row) {
            $checked[$row['region']] = true;
            $isOurs = isset($this->days($row['region'], 2030)[$row['date']]);
            match ($sides[$row['region']] ?? self::fail("{$row['region']} is not decided")) {
                'date-holidays' => self::assertSame(
                    $row['only_in'] === 'date-holidays',
                    $isOurs,
                    "{$row['region']} {$row['date']}",
                ),
                'both' => self::assertTrue($isOurs, "{$row['region']} {$row['date']}"),
                default => self::assertSame(
                    $row['region'] === 'CA' && $row['only_in'] === 'date-holidays',
                    $isOurs,
                    "{$row['region']} {$row['date']}",
                ),
            };
        }
        self::assertEqualsCanonicalizing(array_keys($sides), array_keys($checked));
    }

    public function test_every_region_names_its_law_and_gives_days_every_year(): void
    {
        foreach (array_keys(HolidayRegions::names()) as $region) {
            self::assertNotSame('', HolidayRegions::source($region));
            $byYear = array_count_values(
                array_map(static fn (string $date): string => substr($date, 0, 4), array_keys($this->days($region))),
            );
            self::assertSame(range(self::FIRST, self::LAST), array_keys($byYear), $region);
            self::assertGreaterThanOrEqual(6, min($byYear), $region);
        }
        self::assertNull(HolidayRegions::calendar('XX', 'x', self::FIRST, self::LAST));
        self::assertSame(
            '2030-12-31',
            HolidayRegions::calendar('NZ', 'x', self::FIRST, 2040)?->knownUntil,
            'Matariki is proclaimed no further',
        );
    }

    /** @return array<string, string> item by date */
    private function days(string $region, int $lastYear = self::LAST): array
    {
        $calendar = HolidayRegions::calendar($region, 'x', self::FIRST, $lastYear);
        self::assertInstanceOf(Calendar::class, $calendar);
        $days = [];
        foreach (CalendarDates::of($calendar, self::FIRST, $lastYear)->all() as $day => $item) {
            if (LocalDate::parts($day)[0] >= self::FIRST && LocalDate::parts($day)[0] <= $lastYear) {
                $days[LocalDate::text($day)] = $item;
            }
        }

        return $days;
    }
}
