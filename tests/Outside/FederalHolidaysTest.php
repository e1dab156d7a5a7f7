<?php

declare(strict_types=1);

namespace Tests\Outside;

use Jaunty\Core\Book\Holiday;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Hours\CalendarDates;
use Jaunty\Core\Hours\LocalDate;
use PHPUnit\Framework\TestCase;

/**
 * The dates rules give, against the federal holidays of the United States. Source: 5 U.S.C. 6103(a), as recalled and
 * computed (tests/data/us_federal_holidays.csv).
 */
final class FederalHolidaysTest extends TestCase
{
    private const RULES = [
        "New Year's Day" => ['fixed' => '01-01'],
        'Birthday of Martin Luther King, Jr.' => ['nth' => 3, 'weekday' => 'mon', 'month' => 1],
        "Washington's Birthday" => ['nth' => 3, 'weekday' => 'mon', 'month' => 2],
        'Memorial Day' => ['last' => true, 'weekday' => 'mon', 'month' => 5],
        'Juneteenth National Independence Day' => ['fixed' => '06-19'],
        'Independence Day' => ['fixed' => '07-04'],
        'Labor Day' => ['nth' => 1, 'weekday' => 'mon', 'month' => 9],
        'Columbus Day' => ['nth' => 2, 'weekday' => 'mon', 'month' => 10],
        'Veterans Day' => ['fixed' => '11-11'],
        'Thanksgiving Day' => ['nth' => 4, 'weekday' => 'thu', 'month' => 11],
        'Christmas Day' => ['fixed' => '12-25'],
    ];

    public function test_each_holiday_falls_where_the_statute_puts_it(): void
    {
        $checked = [];
        foreach (RefData::csv('us_federal_holidays.csv') as $row) {
            $rule = self::RULES[$row['name']] ?? self::fail("no rule for {$row['name']}");
            $day = CalendarDates::day(
                Holiday::read(Node::of(['item' => 'x', 'rule' => $rule])),
                (int) $row['holiday_year'],
            );
            self::assertNotNull($day);
            self::assertSame(
                [$row['date'], $row['weekday']],
                [LocalDate::text($day), ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'][LocalDate::weekday($day)]],
                $row['name'],
            );
            $checked[$row['name']] = true;
        }
        self::assertCount(count(self::RULES), $checked);
    }
}
