<?php

declare(strict_types=1);

namespace Tests\Core\Hours;

use Jaunty\Core\Hours\Breaks;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Hours\SpokenHours;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class BreaksTest extends TestCase
{
    /**
     * @param list<string> $breaks
     * @param list<string> $filled
     */
    #[DataProvider('weeks')]
    public function test_a_break_lies_between_two_openings_of_one_day(string $said, array $breaks, array $filled): void
    {
        $weekly = SpokenHours::read($said, LocalDate::parse('2026-12-01'))['schedule']['weekly'] ?? [];
        $told = static fn (array $week): array => array_map(
            static fn (array $span): string => implode(' ', $span['days']) . " {$span['from']}-{$span['to']}",
            $week,
        );

        self::assertSame($breaks, $told(Breaks::of($weekly)));
        self::assertSame($filled, $told(Breaks::filled($weekly)));
        self::assertSame([], Breaks::of(Breaks::filled($weekly)), 'filled hours have none');
    }

    /** @return iterable<string, array{string, list<string>, list<string>}> */
    public static function weeks(): iterable
    {
        yield 'one lunch for all days' => [
            'Mon-Tue 8-5, lunch 12-1', ['mon tue 12:00-13:00'], ['mon tue 08:00-17:00'],
        ];
        yield 'days that end otherwise share their lunch' => [
            'Mon-Thu 8-5, Fri 8-3, lunch 12-1:30',
            ['mon tue wed thu fri 12:00-13:30'],
            ['mon tue wed thu 08:00-17:00', 'fri 08:00-15:00'],
        ];
        yield 'two breaks of a day' => [
            'Mon 8-10, 10:30-12, 13-17', ['mon 10:00-10:30', 'mon 12:00-13:00'], ['mon 08:00-17:00'],
        ];
        yield 'none' => ['Sat 9-1', [], ['sat 09:00-13:00']];
        yield 'a night that goes on into the next day is none' => ['Fri 18:00-02:00', [], ['fri 18:00-02:00']];
    }
}
