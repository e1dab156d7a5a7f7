<?php

declare(strict_types=1);

namespace Tests\Core\Calls;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Calls\OneCall\Trace;
use Jaunty\Core\Calls\TwoBooks\Difference;
use Jaunty\Core\Calls\TwoBooks\TellingCall;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class TellingCallTest extends TestCase
{
    private const FROM = 1_796_083_200; // 2026-12-01T00:00:00Z

    /**
     * @param  array<string, mixed>  $edit
     * @param  ?array{string, string}  $ends  in the first book and in the second
     */
    #[DataProvider('edits')]
    public function test_a_difference_comes_with_the_call_that_shows_it(array $edit, ?array $ends): void
    {
        [$before, $after] = [self::book([]), self::book($edit)];
        $difference = Difference::between($before, $after, self::FROM);
        if ($ends === null) {
            self::assertTrue($difference->isEmpty());

            return;
        }
        $script = TellingCall::of($before, $after, $difference, $difference->contrasts[0])
            ?? self::fail('no call shows it');
        $ended = static fn (Book $book): string => (
            static fn (Trace $trace): string => "{$trace->outcome->value} {$trace->target} {$trace->seconds}"
        )(Trace::of($book, Script::read($script, $book)));

        self::assertSame($ends, [$ended($before), $ended($after)], json_encode($script, JSON_THROW_ON_ERROR));
    }

    /** @return iterable<string, array{array<string, mixed>, ?array{string, string}}> */
    public static function edits(): iterable
    {
        yield 'nothing' => [[], null];
        yield 'a name callers never hear' => [['users' => [['display' => 'Ana']]], null];
        yield 'another mailbox' => [
            ['users' => [['mailbox' => 'mailbox:other']]],
            ['messageIn mailbox:ana 20', 'messageIn mailbox:other 20'],
        ];
        yield 'longer rings' => [
            ['users' => [['legs' => [['seconds' => 45]]]]],
            ['messageIn mailbox:ana 20', 'messageIn mailbox:ana 45'],
        ];
        yield 'hours that close sooner' => [
            ['schedules' => [['weekly' => [['to' => '15:00']]]]],
            ['messageIn mailbox:ana 20', 'messageIn mailbox:other 0'],
        ];
        yield 'behind a key' => [
            ['menus' => [['keys' => ['1' => ['to' => 'busy']]]]],
            ['released menu:more 0', 'busy menu:more 0'],
        ];
    }

    /** The way to where the books part is itself a call, even where the shortest to each end is the same in both. */
    public function test_a_call_is_found_behind_a_key_where_nobody_answers(): void
    {
        $group = static fn (string $key, string $user, string $then): array => [
            'key' => $key, 'members' => [['item' => 'a', 'who' => "user:{$user}"]], 'noAnswerSeconds' => 20,
            'otherwise' => ['noAnswer' => $then],
        ];
        $with = static fn (string $then): Book => BookFormat::fromValue([
            'format' => BookFormat::FORMAT, 'version' => 1, 'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'numbers' => [['key' => '+19025550101', 'destination' => 'menu:day']], 'mailboxes' => [['key' => 'desk']],
            'menus' => [[
                'key' => 'day', 'plays' => 1, 'silence' => 'group:front',
                'keys' => ['1' => ['to' => 'group:brewery'], '2' => ['to' => 'group:taproom']],
            ]],
            'users' => array_map(
                static fn (string $key): array => ['key' => $key, 'legs' => [['item' => 'desk']]],
                ['ana', 'bo', 'cy'],
            ),
            'groups' => [
                $group('front', 'ana', 'mailbox:desk'),
                $group('brewery', 'bo', $then),
                $group('taproom', 'cy', 'group:front'),
            ],
        ]);
        [$before, $after] = [$with('group:front'), $with('group:taproom')];
        $difference = Difference::between($before, $after, self::FROM);

        self::assertNotSame([], $difference->contrasts);
        foreach ($difference->contrasts as $contrast) {
            self::assertNotNull(TellingCall::of($before, $after, $difference, $contrast), $contrast->words());
        }
    }

    /** Nobody's state has to change for a call to a number that is new, or gone. */
    public function test_a_number_of_one_book_alone_is_shown_by_calling_it(): void
    {
        $more = self::book(['numbers' => [2 => ['key' => '+19025550102', 'destination' => 'mailbox:other']]]);
        foreach ([[self::book([]), $more], [$more, self::book([])]] as [$before, $after]) {
            $difference = Difference::between($before, $after, self::FROM);

            self::assertSame(['number:+19025550102'], array_column($difference->contrasts, 'called'));
            self::assertSame(
                '+19025550102',
                TellingCall::of($before, $after, $difference, $difference->contrasts[0])['to'] ?? null,
            );
        }
    }

    /** @param array<string, mixed> $edit */
    private static function book(array $edit): Book
    {
        return BookFormat::fromValue(array_replace_recursive([
            'format' => BookFormat::FORMAT, 'version' => 1, 'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'numbers' => [
                ['key' => '+19025550100', 'destination' => 'attendant:front'],
                ['key' => '+19025550101', 'destination' => 'menu:more'],
            ],
            'schedules' => [['key' => 'office', 'weekly' => [
                ['item' => 'day', 'days' => ['mon', 'tue', 'wed', 'thu', 'fri'], 'from' => '08:00', 'to' => '17:00'],
            ]]],
            'attendants' => [['key' => 'front', 'schedule' => 'schedule:office', 'answers' => [
                ['item' => 'o', 'when' => 'open', 'then' => 'user:ana'],
                ['item' => 'c', 'when' => 'closed', 'then' => 'mailbox:other'],
            ]]],
            'menus' => [
                ['key' => 'more', 'plays' => 1, 'silence' => 'mailbox:other', 'keys' => ['1' => ['to' => 'release']]],
            ],
            'users' => [['key' => 'ana', 'mailbox' => 'mailbox:ana', 'legs' => [['item' => 'desk', 'seconds' => 20]]]],
            'mailboxes' => [['key' => 'ana'], ['key' => 'other']],
        ], $edit));
    }
}
