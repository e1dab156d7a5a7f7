<?php

declare(strict_types=1);

namespace Tests\Core\Hours;

use Jaunty\Core\Hours\LocalDate;
use PHPUnit\Framework\TestCase;

final class LocalDateTest extends TestCase
{
    public function test_days_count_as_the_calendar_of_php_counts_them(): void
    {
        $date = new \DateTimeImmutable('1899-12-28', new \DateTimeZone('UTC'));
        for ($i = 0; $i < 90_000; $i += 13) {
            $at = $date->modify("+{$i} days");
            $days = intdiv($at->getTimestamp(), 86_400) - ($at->getTimestamp() % 86_400 < 0 ? 1 : 0);
            self::assertSame($days, LocalDate::parse($at->format('Y-m-d')));
            self::assertSame(
                [$at->format('Y-m-d'), (int) $at->format('N') - 1],
                [LocalDate::text($days), LocalDate::weekday($days)],
            );
        }
    }

    public function test_months_have_their_length_and_leap_years_their_day(): void
    {
        foreach ([1900, 2000, 2023, 2024, 2100, 2400] as $year) {
            for ($month = 1; $month <= 12; $month++) {
                self::assertSame(
                    (int) (new \DateTimeImmutable(sprintf('%d-%02d-01', $year, $month)))->format('t'),
                    LocalDate::daysInMonth($year, $month),
                );
            }
        }
    }

    /** Source: the Book of Common Prayer's table as reprinted in almanacs; from memory. */
    public function test_easter_falls_where_the_tables_put_it(): void
    {
        foreach (
            [
                '1818-03-22', '1943-04-25', '1954-04-18', '1981-04-19', '2000-04-23', '2008-03-23', '2024-03-31',
                '2025-04-20', '2026-04-05', '2027-03-28', '2038-04-25', '2049-04-18',
            ] as $date
        ) {
            self::assertSame($date, LocalDate::text(LocalDate::easter((int) substr($date, 0, 4))));
        }
    }

    public function test_easter_is_a_sunday_between_its_first_and_last_possible_day(): void
    {
        for ($year = 1900; $year <= 2199; $year++) {
            $easter = LocalDate::easter($year);
            self::assertSame(6, LocalDate::weekday($easter));
            self::assertTrue($easter >= LocalDate::of($year, 3, 22) && $easter <= LocalDate::of($year, 4, 25));
        }
    }
}
