<?php

declare(strict_types=1);

namespace Tests\Core\Hours;

use Jaunty\Core\Book\ClockTime;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\WeeklyPiece;
use Jaunty\Core\Hours\WeekPattern;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class WeekPatternTest extends TestCase
{
    private const WEEK = 10_080;

    /** @param list<array<string, mixed>> $pieces */
    #[DataProvider('weeks')]
    public function test_a_week_is_said_in_words(string $words, array $pieces): void
    {
        self::assertSame($words, $this->week($pieces)->words());
    }

    /** @return iterable<array{string, list<array<string, mixed>>}> */
    public static function weeks(): iterable
    {
        $office = ['mon', 'tue', 'wed', 'thu', 'fri'];
        yield ['never open', []];
        yield ['Mon to Fri 08:00 to 17:00; 45 h a week', [['days' => $office, 'from' => '08:00', 'to' => '17:00']]];
        yield ['Mon to Fri 08:00 to 12:00 and 13:00 to 17:00; Sat 09:00 to 12:30; 43 h 30 min a week', [
            ['days' => $office, 'from' => '08:00', 'to' => '12:00'],
            ['days' => $office, 'from' => '13:00', 'to' => '17:00'],
            ['days' => ['sat'], 'from' => '09:00', 'to' => '12:30'],
        ]];
        yield ['Mon 08:00 to Fri 17:00; 105 h a week', [['span' => ['mon 08:00', 'fri 17:00']]]];
        yield ['Fri to Sat 18:00 to 02:00 the next day; 16 h a week', [
            ['days' => ['fri', 'sat'], 'from' => '18:00', 'to' => '02:00'],
        ]];
        yield ['Sun 22:00 to 06:00 the next day; 8 h a week', [
            ['days' => ['sun'], 'from' => '22:00', 'to' => '06:00'],
        ]];
        yield ['round the clock, 168 h a week', [['days' => ClockTime::DAYS, 'from' => '00:00', 'to' => '24:00']]];
        yield ['Tue 06:00 to 24:00; 18 h a week', [['days' => ['tue'], 'from' => '06:00', 'to' => '24:00']]];
    }

    public function test_an_overlap_gives_the_time_two_pieces_share(): void
    {
        $week = $this->week([
            ['days' => ['mon', 'tue'], 'from' => '08:00', 'to' => '12:00'],
            ['days' => ['tue'], 'from' => '11:30', 'to' => '17:00'],
            ['days' => ['sun'], 'from' => '23:00', 'to' => '09:00'],
        ]);

        self::assertSame([
            ['one' => 'p0', 'other' => 'p2', 'from' => 'Mon 08:00', 'to' => 'Mon 09:00'],
            ['one' => 'p0', 'other' => 'p1', 'from' => 'Tue 11:30', 'to' => 'Tue 12:00'],
        ], $week->overlaps());
    }

    /** Against painting every minute of the week, piece by piece. */
    #[DataProvider('seeds')]
    public function test_minutes_and_overlaps_are_those_of_a_week_painted_by_the_minute(int $seed): void
    {
        $dice = new Randomizer(new Mt19937($seed));
        $pieces = [];
        $painted = array_fill(0, self::WEEK, []);
        for ($i = 0, $count = $dice->getInt(1, 4); $i < $count; $i++) {
            $from = 30 * $dice->getInt(0, 47);
            $to = 30 * $dice->getInt(1, 48);
            $days = array_values(array_unique([$dice->getInt(0, 6), $dice->getInt(0, 6)]));
            $pieces[] = [
                'days' => array_map(static fn (int $day): string => ClockTime::DAYS[$day], $days),
                'from' => ClockTime::text($from),
                'to' => $to === 1440 ? '24:00' : ClockTime::text($to),
            ];
            foreach ($days as $day) {
                for ($minute = $from; $minute < ($to <= $from ? $to + 1440 : $to); $minute++) {
                    $painted[($day * 1440 + $minute) % self::WEEK][] = "p{$i}";
                }
            }
        }
        $week = $this->week($pieces);
        $shared = [];
        foreach ($week->overlaps() as $overlap) {
            for (
                $minute = $this->minute($overlap['from']),
                $end = $this->minute($overlap['to']);
                $minute !== $end;
                $minute = ($minute + 1) % self::WEEK
            ) {
                $shared[$minute][] = [$overlap['one'], $overlap['other']];
            }
        }

        self::assertSame(count(array_filter($painted)), $week->minutes());
        foreach ($painted as $minute => $items) {
            $pairs = [];
            foreach ($items as $index => $one) {
                foreach (array_slice($items, $index + 1) as $other) {
                    $pairs[] = [$one, $other];
                }
            }
            self::assertEqualsCanonicalizing($pairs, $shared[$minute] ?? [], "minute {$minute}");
        }
    }

    /** @return iterable<array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 40) as $seed) {
            yield "seed {$seed}" => [$seed];
        }
    }

    private function minute(string $text): int
    {
        [$day, $clock] = explode(' ', $text);

        return (int) array_search(strtolower($day), ClockTime::DAYS, true) * 1440
            + (int) substr($clock, 0, 2) * 60
            + (int) substr($clock, 3);
    }

    /** @param list<array<string, mixed>> $pieces */
    private function week(array $pieces): WeekPattern
    {
        return WeekPattern::of(array_map(
            static fn (int $i, array $piece): WeeklyPiece => WeeklyPiece::read(Node::of(['item' => "p{$i}"] + $piece)),
            array_keys($pieces),
            $pieces,
        ));
    }
}
