<?php

declare(strict_types=1);

namespace Tests\Outside;

use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Hours\ZoneClock;
use PHPUnit\Framework\TestCase;

/**
 * Clock changes. Sources: IANA time zone database 2025b (tests/data/dst_transitions.csv); RFC 5545 section 3.3.5 as
 * recalled, with the "compatible" reading of another implementation beside it (tests/data/wall_clock_edges.csv).
 */
final class ClocksTest extends TestCase
{
    public function test_offsets_change_when_the_database_says(): void
    {
        $expected = [];
        foreach (RefData::csv('dst_transitions.csv') as $row) {
            $expected[$row['zone']][(int) strtotime($row['utc_instant'])] = [
                (int) $row['offset_before_s'],
                (int) $row['offset_after_s'],
            ];
        }
        self::assertNotEmpty($expected);
        foreach ($expected as $zone => $changes) {
            $clock = ZoneClock::of($zone);
            $known = $clock->changesBetween(
                (int) strtotime('2024-01-01T00:00:00Z'),
                (int) strtotime('2031-01-01T00:00:00Z'),
            );
            self::assertSame([], array_diff(array_keys($changes), $known), $zone);
            foreach ($changes as $instant => [$before, $after]) {
                self::assertSame(
                    [$before, $after],
                    [$clock->offsetAt($instant - 1), $clock->offsetAt($instant)],
                    "{$zone} at {$instant}",
                );
            }
        }
    }

    public function test_a_time_in_a_gap_is_read_with_the_offset_before_it_and_one_that_comes_twice_is_the_first(): void
    {
        $checked = 0;
        foreach (RefData::csv('wall_clock_edges.csv') as $row) {
            if (! str_ends_with($row['wall_time'], ':00')) {
                continue;
            }
            $minutes = LocalDate::parse($row['wall_time']) * LocalDate::MINUTES
                + (int) substr($row['wall_time'], 11, 2) * 60
                + (int) substr($row['wall_time'], 14, 2);
            self::assertSame(
                (int) strtotime($row['temporal_compatible']),
                ZoneClock::of($row['zone'])->instantOf($minutes),
                "{$row['zone']} {$row['wall_time']} ({$row['kind']})",
            );
            $checked++;
        }
        self::assertGreaterThan(12, $checked);
    }
}
