<?php

declare(strict_types=1);

namespace Tests\Core\Calls;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What a trace tells its reader besides where the call went: why, and what to be wary of. */
final class TraceTest extends TestCase
{
    /** @param array<string, mixed> $script */
    #[DataProvider('reasons')]
    public function test_each_step_says_why_the_call_came_there(array $script, string $object, string $reason): void
    {
        $trace = $this->trace($script);
        $found = array_filter(
            $trace->steps,
            static fn ($step): bool => $step->object === $object && $step->reason !== '',
        );

        self::assertSame([$reason], array_values(array_unique(array_column($found, 'reason'))), json_encode(
            $trace->toArray(),
            JSON_THROW_ON_ERROR,
        ));
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function reasons(): iterable
    {
        $open = '2026-12-01T10:00';
        $main = '+19025550100';
        yield 'rings that nobody answered' => [
            ['to' => $main, 'at' => $open, 'keys' => [['key' => '1']]],
            'chain:nights',
            'no answer after 6 rings (30 s)',
        ];
        yield 'a key' => [['to' => $main, 'at' => $open, 'keys' => [['key' => '1']]], 'group:desk', 'key 1'];
        yield 'silence' => [['to' => $main, 'at' => $open], 'mailbox:desk', 'silence after play 1 of 1'];
        yield 'the hours' => [['to' => $main, 'at' => '2026-12-05T10:00'], 'chain:nights', 'its answer for closed'];
        yield 'everybody on a call' => [
            ['to' => '300', 'at' => $open, 'world' => ['user:ana' => 'onACall', 'user:bo' => 'busy']],
            'mailbox:desk',
            'everybody is on a call',
        ];
    }

    /** @param array<string, mixed> $script */
    #[DataProvider('ends')]
    public function test_an_end_that_needs_it_says_why(array $script, Outcome $outcome, string $reason): void
    {
        $trace = $this->trace($script);

        self::assertSame([$outcome, $reason], [$trace->outcome, $trace->reason]);
    }

    /** @return iterable<string, array{array<string, mixed>, Outcome, string}> */
    public static function ends(): iterable
    {
        $at = '2026-12-01T10:00';
        yield 'nothing set' => [
            ['to' => '201', 'at' => $at],
            Outcome::DeadEnd,
            'no answer after 4 rings (20 s), and nothing is set for that',
        ];
        yield 'nobody there' => [
            ['to' => '201', 'at' => $at, 'world' => ['user:ana' => 'unreachable']],
            Outcome::DeadEnd,
            'no phone can be reached, and nothing is set for that',
        ];
        yield 'no way out' => [
            ['to' => '+19025550101', 'at' => $at],
            Outcome::Refused,
            'no route or trunk lets the call out',
        ];
        yield 'the last place' => [
            ['to' => '+19025550100', 'at' => '2026-12-05T10:00'],
            Outcome::DeadEnd,
            'no answer after 3 rings (15 s), so place 2 of Nights; nothing can ring, so past the last place of Nights',
        ];
        yield 'answered' => [['to' => '201', 'at' => $at, 'world' => ['user:ana' => 'answers']], Outcome::Answered, ''];
    }

    public function test_hours_that_change_during_a_call_are_warned_of(): void
    {
        $late = $this->trace(['to' => '+19025550100', 'at' => '2026-12-01T16:59:50']);

        self::assertSame(
            [
                'Office hours goes from open to closed at 17:00, 10 s into the call; hours '
                    . 'are read once, at its arrival.',
            ],
            $late->warnings,
        );
        self::assertSame([], $this->trace(['to' => '+19025550100', 'at' => '2026-12-01T16:00'])->warnings);
        self::assertSame(
            [],
            $this->trace(['to' => '201', 'at' => '2026-12-01T16:59:50'])->warnings,
            'a call that reads no hours',
        );
    }

    /** @param array<string, mixed> $script */
    private function trace(array $script): Trace
    {
        return Trace::of(self::book(), Script::read($script, self::book()));
    }

    private static function book(): Book
    {
        return BookFormat::fromValue([
            'format' => BookFormat::FORMAT, 'version' => 1, 'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'numbers' => [
                ['key' => '+19025550100', 'destination' => 'attendant:front'],
                ['key' => '+19025550101', 'destination' => 'outside:+15065550100'],
            ],
            'schedules' => [['key' => 'office', 'name' => 'Office hours', 'weekly' => [
                ['item' => 'day', 'days' => ['mon', 'tue', 'wed', 'thu', 'fri'], 'from' => '08:00', 'to' => '17:00'],
            ]]],
            'attendants' => [['key' => 'front', 'schedule' => 'schedule:office', 'answers' => [
                ['item' => 'o', 'when' => 'open', 'then' => 'menu:day'],
                ['item' => 'c', 'when' => 'closed', 'then' => 'chain:nights'],
            ]]],
            'menus' => [[
                'key' => 'day', 'plays' => 1, 'wait' => 30, 'silence' => 'mailbox:desk',
                'keys' => ['1' => ['to' => 'group:desk']],
            ]],
            'users' => [
                ['key' => 'ana', 'extension' => '201', 'legs' => [['item' => 'desk']]],
                ['key' => 'bo', 'legs' => [['item' => 'desk']]],
            ],
            'groups' => [[
                'key' => 'desk', 'extension' => '300', 'order' => 'sequential',
                'members' => [['item' => 'ana', 'who' => 'user:ana'], ['item' => 'bo', 'who' => 'user:bo']],
                'otherwise' => ['noAnswer' => 'chain:nights', 'allBusy' => 'mailbox:desk'],
            ]],
            'chains' => [['key' => 'nights', 'name' => 'Nights', 'places' => [
                ['item' => 'a', 'to' => 'user:ana'],
                ['item' => 'b', 'to' => 'outside:+15065550100'],
            ]]],
            'mailboxes' => [['key' => 'desk']],
        ]);
    }
}
