<?php

declare(strict_types=1);

namespace Tests\Core\Calls;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Calls\TwoBooks\Noticed;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Change\Operation;
use Jaunty\Core\Change\OperationKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class NoticedTest extends TestCase
{
    private const FROM = 1_796_083_200; // 2026-12-01T00:00:00Z

    /**
     * @param  array<string, mixed>  $live
     * @param  list<string>  $noticed
     */
    #[DataProvider('drifts')]
    public function test_a_field_is_noticed_if_putting_it_back_alone_sends_a_call_another_way(
        array $live,
        array $noticed,
    ): void {
        [$book, $after] = [self::book([]), self::book($live)];
        $drift = Diff::between($book, $after)->operations;

        self::assertSame($noticed, array_map(
            static fn (Operation $each): string => "{$each->object} {$each->path}",
            Noticed::of($after, $drift, self::FROM),
        ));
    }

    /** @return iterable<string, array{array<string, mixed>, list<string>}> */
    public static function drifts(): iterable
    {
        yield 'nothing' => [[], []];
        yield 'a name beside a greeting' => [
            ['groups' => [['name' => 'Desk', 'noAnswerSeconds' => 40]], 'users' => [['display' => 'Ana at the desk']]],
            ['group:desk noAnswerSeconds'],
        ];
        yield 'beside a number sent elsewhere, as the group keeps its extension' => [
            ['numbers' => [['destination' => 'user:ana']], 'groups' => [['noAnswerSeconds' => 40]]],
            ['number:+19025550100 destination', 'group:desk noAnswerSeconds'],
        ];
        yield 'one object more' => [['mailboxes' => [1 => ['key' => 'late']]], []];
    }

    /** Somebody took a mailbox away on the switch: what led there is put back with it, and not into nothing. */
    public function test_a_field_that_led_to_what_is_gone_is_noticed_with_it(): void
    {
        $book = self::book([
            'numbers' => [['destination' => 'user:ana']],
            'users' => [['mailbox' => 'mailbox:ana', 'email' => 'ana@inlet.example']],
            'mailboxes' => [1 => ['key' => 'ana']],
        ]);
        $after = self::book(['numbers' => [['destination' => 'user:ana']], 'users' => [['mailbox' => null]]]);
        $drift = Diff::between($book, $after)->operations;
        self::assertContains(OperationKind::Delete, array_column($drift, 'kind'));

        self::assertSame(['user:ana mailbox'], array_map(
            static fn (Operation $each): string => "{$each->object} {$each->path}",
            Noticed::of($after, $drift, self::FROM),
        ));
    }

    /** @param array<string, mixed> $edit */
    private static function book(array $edit): Book
    {
        return BookFormat::fromValue(array_replace_recursive([
            'format' => BookFormat::FORMAT, 'version' => BookFormat::VERSION,
            'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'numbers' => [['key' => '+19025550100', 'destination' => 'group:desk']],
            'groups' => [[
                'key' => 'desk', 'extension' => '300', 'noAnswerSeconds' => 30,
                'members' => [['item' => 'ana', 'who' => 'user:ana']], 'otherwise' => ['noAnswer' => 'mailbox:desk'],
            ]],
            'users' => [[
                'key' => 'ana', 'name' => ['first' => 'Ana', 'last' => 'Reed'], 'extension' => '201',
                'legs' => [['item' => 'desk']], 'mailbox' => 'mailbox:desk',
            ]],
            'mailboxes' => [['key' => 'desk']],
        ], $edit));
    }
}
