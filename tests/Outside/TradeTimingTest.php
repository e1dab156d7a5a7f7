<?php

declare(strict_types=1);

namespace Tests\Outside;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\WeeklyPiece;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use Jaunty\Core\Hours\WeekPattern;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** The arithmetic technicians do in their heads. Source: common practice. */
final class TradeTimingTest extends TestCase
{
    /**
     * 2 members x 3 rings x 5 s = 30 s: a limit padded to 33 s lets both ring out, one of 25 s cuts the second short,
     * one of 12 s never reaches it.
     */
    #[TestWith([33, 30, ['user:a', 'user:b']])]
    #[TestWith([25, 25, ['user:a', 'user:b']])]
    #[TestWith([12, 12, ['user:a']])]
    public function test_a_group_s_limit_is_members_times_rings_times_five_seconds(
        int $limit,
        int $seconds,
        array $rung,
    ): void {
        $book = $this->book($limit);
        $trace = Trace::of($book, Script::read(['to' => '+19025550100', 'at' => '2026-12-01T14:00:00Z'], $book));

        self::assertSame([Outcome::MessageIn, $seconds], [$trace->outcome, $trace->seconds]);
        self::assertSame($rung, array_values(array_unique(array_map(
            static fn ($step): string => $step->object,
            array_filter($trace->steps, static fn ($step): bool => $step->what === 'rings'),
        ))));
    }

    /** Monday to Friday as one span is 105 h a week, as days it is 45 h. */
    public function test_one_span_through_the_nights_is_not_five_days(): void
    {
        $hours = static fn (array $piece): int => intdiv(
            WeekPattern::of([WeeklyPiece::read(Node::of(['item' => 'x'] + $piece))])->minutes(),
            60,
        );

        self::assertSame(105, $hours(['span' => ['mon 08:00', 'fri 17:00']]));
        self::assertSame(45, $hours(
            ['days' => ['mon', 'tue', 'wed', 'thu', 'fri'], 'from' => '08:00', 'to' => '17:00'],
        ));
    }

    private function book(int $limit): Book
    {
        return BookFormat::fromValue([
            'format' => 'jaunty-roster/tenant-book', 'version' => 1,
            'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'numbers' => [['key' => '+19025550100', 'destination' => 'group:desk']],
            'users' => [['key' => 'a', 'legs' => [['item' => 'desk']]], ['key' => 'b', 'legs' => [['item' => 'desk']]]],
            'mailboxes' => [['key' => 'box']],
            'groups' => [[
                'key' => 'desk', 'order' => 'sequential', 'ringsEach' => 3, 'rotations' => 1,
                'noAnswerSeconds' => $limit,
                'members' => [['item' => 'a', 'who' => 'user:a'], ['item' => 'b', 'who' => 'user:b']],
                'otherwise' => ['noAnswer' => 'mailbox:box'],
            ]],
        ]);
    }
}
