<?php

declare(strict_types=1);

namespace Tests\Core\Calls;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Calls\AllCalls\WaysHere;
use PHPUnit\Framework\TestCase;

final class WaysHereTest extends TestCase
{
    public function test_numbers_that_lead_to_an_object_are_told_each_by_its_shortest_way(): void
    {
        $ways = WaysHere::to(self::book(), Reference::parse('group:desk'));

        self::assertSame(
            [['+19025550151', 'destination', []], ['+19025550152', 'callerRules/vip/then', []],
                ['+19025550150', 'destination', ['menu:day']]],
            array_map(static fn (array $way): array => [
                $way['number']->key, $way['by'], self::refs($way['through']),
            ], $ways),
        );
        // Whose number somebody shows, and whom they report to, leads nobody to them.
        self::assertSame(
            ['+19025550151', '+19025550152', '+19025550150'],
            array_map(
                static fn (array $way): string => $way['number']->key,
                WaysHere::to(self::book(), Reference::parse('user:ines')),
            ),
        );
        self::assertSame([], WaysHere::to(self::book(), Reference::parse('mailbox:nobodys')));
    }

    public function test_where_an_object_leads_on_and_who_is_lost_without_a_number(): void
    {
        $book = self::book();
        $numbers = array_column($book->all(Number::class), null, 'key');

        self::assertSame(['menu:day'], self::refs(WaysHere::from($book, $numbers['+19025550150'])));
        self::assertSame(
            ['menu:day', 'mailbox:sales'],
            self::refs(WaysHere::lostWithout($book, $numbers['+19025550150'])),
        );
        self::assertSame([], WaysHere::lostWithout($book, $numbers['+19025550151']));
    }

    /** @param list<BookObject> $objects
     * @return list<string> */
    private static function refs(array $objects): array
    {
        return array_map(static fn (BookObject $each): string => (string) Reference::of($each), $objects);
    }

    private static function book(): Book
    {
        return BookFormat::fromValue([
            'format' => BookFormat::FORMAT, 'version' => BookFormat::VERSION,
            'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'numbers' => [
                ['key' => '+19025550150', 'destination' => 'menu:day'],
                ['key' => '+19025550151', 'destination' => 'group:desk'],
                ['key' => '+19025550152', 'destination' => 'release', 'callerRules' => [
                    ['item' => 'vip', 'callers' => '19025550177', 'then' => 'group:desk'],
                ]],
                ['key' => '+19025550153', 'replaces' => 'number:+19025550150'],
            ],
            'users' => [
                ['key' => 'ines', 'extension' => '201', 'callerId' => 'number:+19025550153'],
                ['key' => 'bo', 'extension' => '202', 'reportsTo' => 'user:ines'],
            ],
            'groups' => [['key' => 'desk', 'members' => [['item' => 'a', 'who' => 'user:ines']]]],
            'menus' => [['key' => 'day', 'keys' => [
                ['item' => '1', 'to' => 'group:desk'], ['item' => '2', 'to' => 'mailbox:sales'],
            ]]],
            'mailboxes' => [['key' => 'sales'], ['key' => 'nobodys']],
        ]);
    }
}
