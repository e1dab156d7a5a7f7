<?php

declare(strict_types=1);

namespace Tests\Standins;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Standins\PracticeSwitch\Calls\Almanac;
use Standins\PracticeSwitch\Calls\Clock;
use Standins\PracticeSwitch\Calls\Part;
use Standins\PracticeSwitch\Calls\Recurring;
use Standins\Shared\Refusal;
use Tests\Outside\RefData;

/**
 * The practice switch's own reading of clocks, recurrences and Easter, against the same published values as ours
 * (tests/data).
 */
final class SwitchHoursTest extends TestCase
{
    /** RFC 5545 section 3.3.5 as recalled; Temporal's "compatible" reading (wall_clock_edges.csv). */
    public function test_local_times_in_a_clock_change(): void
    {
        // This switch counts in minutes.
        $rows = array_filter(
            iterator_to_array(RefData::csv('wall_clock_edges.csv')),
            static fn (array $row): bool => str_ends_with($row['wall_time'], ':00'),
        );
        self::assertNotEmpty($rows);
        foreach ($rows as $row) {
            $wall = (int) strtotime("{$row['wall_time']}Z");
            $clock = new Clock($row['zone']);

            self::assertSame(
                $row['temporal_compatible'],
                gmdate('Y-m-d\TH:i:s\Z', $clock->instant(intdiv($wall, 86_400), intdiv($wall % 86_400, 60))),
                "{$row['zone']} {$row['wall_time']}",
            );
        }
    }

    public function test_a_day_is_from_its_midnight_to_the_next_where_midnight_is_skipped_or_comes_twice(): void
    {
        // IANA 2025b: Beirut goes from 00:00 to 01:00 on 29 March 2026, Havana from 01:00 back to 00:00 on 1 November
        // 2026.
        foreach (['Asia/Beirut' => 20260329, 'America/Havana' => 20261101] as $zone => $date) {
            $clock = new Clock($zone);
            $midnight = $clock->instant(Clock::dayNumber($date), 0);

            self::assertSame(
                [$date, $date],
                [Clock::dateNumber($clock->dayOf($midnight)), Clock::dateNumber($clock->dayOf($midnight + 3600))],
                $zone,
            );
            self::assertSame(Clock::dayNumber($date) - 1, $clock->dayOf($midnight - 1), $zone);
        }
    }

    /** @param array{dtstart: string, rrule: string, expected: list<string>} $rule */
    #[DataProvider('rules')]
    public function test_a_recurrence_gives_the_dates_most_programs_give(array $rule): void
    {
        $first = Clock::dayNumber((int) substr($rule['dtstart'], 0, 8));
        try {
            $recurring = Recurring::parse($rule['rrule']);
            $recurring->hasDay($first, $first);
        } catch (Refusal $refusal) {
            self::assertMatchesRegularExpression(
                '/FREQ=(HOURLY|MINUTELY|SECONDLY)|BY(HOUR|MINUTE|SECOND)=/',
                $rule['rrule'],
                $refusal->getMessage(),
            );

            return;
        }
        $expected = array_values(array_unique(array_map(
            static fn (string $date): int => (int) str_replace('-', '', substr($date, 0, 10)),
            $rule['expected'],
        )));
        foreach (array_slice($expected, 0, 12) as $place => $date) {
            self::assertTrue($recurring->hasDay($first, Clock::dayNumber($date)), (string) $date);
            $next = $expected[$place + 1] ?? null;
            for ($day = Clock::dayNumber($date) + 1; $next !== null && $day < Clock::dayNumber($next); $day++) {
                self::assertFalse($recurring->hasDay($first, $day), (string) Clock::dateNumber($day));
            }
        }
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function rules(): iterable
    {
        $data = json_decode((string) file_get_contents(__DIR__ . '/../data/rrule_expansions.json'), true);
        self::assertIsArray($data);
        foreach ($data['rules'] as $rule) {
            yield $rule['id'] => [$rule];
        }
    }

    /** Good Friday of public_holidays.csv (npm date-holidays 3.37.0). */
    public function test_easter(): void
    {
        $fridays = array_filter(
            iterator_to_array(RefData::csv('public_holidays.csv')),
            static fn (array $row): bool => str_contains($row['name'], 'Good Friday') && $row['region'] === 'GB-ENG',
        );
        self::assertNotEmpty($fridays);
        $almanac = new Almanac(new Part(['feasts' => [['slot' => 'good-friday', 'yearly' => ['easter' => -2]]]]));
        foreach ($fridays as $row) {
            self::assertSame(
                'good-friday',
                $almanac->feastOn(Clock::dayNumber((int) str_replace('-', '', $row['date']))),
                $row['date'],
            );
        }
    }
}
