<?php

declare(strict_types=1);

namespace Tests\Core\Calls;

use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Calls\AllCalls\Explorer;
use Jaunty\Core\Calls\AllCalls\Facts;
use Jaunty\Core\Calls\AllCalls\Graph;
use Jaunty\Core\Calls\Year\OutcomeMap;
use Jaunty\Core\Hours\HoursState;
use Jaunty\Core\Hours\ScheduleClock;
use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\TestCase;

/** What is remembered from one period or number to the next must not be told from what is worked out anew. */
final class OutcomeMapTest extends TestCase
{
    private const FROM = 1_796_083_200; // 2026-12-01T00:00:00Z

    #[DataProviderExternal(CaseBooksTest::class, 'books')]
    public function test_each_period_of_the_map_is_as_if_explored_alone(string $json): void
    {
        $book = BookFormat::fromJson($json);
        $map = OutcomeMap::of($book, self::FROM);

        self::assertTrue($map->isComplete);
        foreach ($map->periods->classes as $class => $valuation) {
            $graph = new Graph($book, self::FROM);
            $graph->say($valuation);
            foreach ($graph->numbers() as $number) {
                self::assertEquals(
                    Facts::of(Explorer::explore($graph, [$number]), $number),
                    $map->facts[$class][substr($number->object, strlen('number:'))],
                );
            }
        }
    }

    public function test_periods_say_what_each_schedule_says_at_any_instant(): void
    {
        $book = BookFormat::fromJson((string) file_get_contents(__DIR__ . '/../../data/bench-book.json'));
        $graph = new Graph($book, self::FROM);
        $map = OutcomeMap::of($book, self::FROM);
        $clocks = array_map(
            static fn (array $slot): ScheduleClock => ScheduleClock::of($slot[0], $book, $slot[1]),
            $graph->slots(),
        );
        mt_srand(20_261_201);
        $place = 0;
        for ($instant = self::FROM; $instant < $map->periods->until; $instant += mt_rand(1, 200_000)) {
            while (($map->periods->stretches[$place + 1][0] ?? PHP_INT_MAX) <= $instant) {
                $place++;
            }
            foreach ($graph->slots() as $slot => [, , $named]) {
                self::assertSame(
                    HoursState::asNamed($clocks[$slot]->at($instant), $named),
                    $map->periods->classes[$map->periods->stretches[$place][1]][$slot],
                    "{$slot} at {$instant}",
                );
            }
        }
    }

    public function test_a_number_s_dates_cut_the_year_at_midnights_of_its_site(): void
    {
        $book = BookFormat::fromValue([
            'format' => 'jaunty-roster/tenant-book', 'version' => 1,
            'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'numbers' => [[
                'key' => '+19025550100', 'destination' => 'mailbox:box', 'from' => '2027-01-10',
                'until' => '2027-03-01',
            ]],
            'mailboxes' => [['key' => 'box']],
        ]);
        $map = OutcomeMap::of($book, self::FROM);

        // Halifax is four hours behind UTC in winter.
        self::assertSame(
            [['2026-12-01T00:00:00Z', 'notInService'], ['2027-01-10T04:00:00Z', 'messageIn'], [
                '2027-03-02T04:00:00Z',
                'notInService',
            ]],
            array_map(
                static fn (array $stretch): array => [
                    gmdate('Y-m-d\TH:i:s\Z', $stretch[0]),
                    $map->facts[$stretch[1]]['+19025550100']->passive?->value,
                ],
                $map->periods->stretches,
            ),
        );
    }
}
