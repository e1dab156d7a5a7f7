<?php

declare(strict_types=1);

namespace Tests\Outside;

use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Ics\ScheduleReading;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * The time zone a calendar file brings with it, read by the rule of its standard and held against PHP's own clock.
 *
 * Source: RFC 5545 section 3.6.5 ("VTIMEZONE"): the observance in force is the one whose onset, told in the wall time
 * of TZOFFSETFROM, is the latest not after the instant.
 */
final class CalendarZonesTest extends TestCase
{
    private const FROM = 1_796_083_200; // 2026-12-01T00:00:00Z

    #[DataProvider('zones')]
    public function test_the_offset_in_force_is_that_of_the_zone(string $zone): void
    {
        $text = ScheduleReading::write(
            Schedule::read(Node::of(['key' => 'x'])),
            $zone,
            LocalDate::parse('2026-12-01'),
            self::FROM,
        );
        $onsets = [];
        preg_match_all('/BEGIN:(?:STANDARD|DAYLIGHT)\R(.*?)END:/s', str_replace("\r\n ", '', $text), $observances);
        foreach ($observances[1] as $observance) {
            [$old, $new] = [self::seconds($observance, 'FROM'), self::seconds($observance, 'TO')];
            preg_match_all('/\d{8}T\d{6}/', $observance, $dates);
            foreach ($dates[0] as $date) {
                $begins = (int) strtotime("{$date}Z");
                $onsets[$begins - $old] = $new;
            }
        }
        ksort($onsets);
        $clock = new \DateTimeZone($zone);
        mt_srand(20_261_201);
        for ($instant = self::FROM; $instant < self::FROM + 9 * 366 * 86_400; $instant += mt_rand(1, 400_000)) {
            $inForce = array_filter($onsets, static fn (int $onset): bool => $onset <= $instant, ARRAY_FILTER_USE_KEY);
            self::assertSame(
                $clock->getOffset(new \DateTimeImmutable("@{$instant}")),
                end($inForce),
                "{$zone} at " . gmdate('c', $instant),
            );
        }
    }

    /** @return iterable<string, array{string}> */
    public static function zones(): iterable
    {
        foreach (
            [
                'America/Halifax', 'America/St_Johns', 'America/Phoenix', 'Europe/London', 'Europe/Dublin',
                'Australia/Sydney', 'Australia/Lord_Howe', 'Pacific/Auckland', 'Asia/Kathmandu', 'Africa/Casablanca',
                'UTC',
            ] as $zone
        ) {
            yield $zone => [$zone];
        }
    }

    private static function seconds(string $observance, string $which): int
    {
        self::assertSame(1, preg_match("/TZOFFSET{$which}:([+-])(\d\d)(\d\d)/", $observance, $found));

        return ($found[1] === '-' ? -1 : 1) * ((int) $found[2] * 3600 + (int) $found[3] * 60);
    }
}
