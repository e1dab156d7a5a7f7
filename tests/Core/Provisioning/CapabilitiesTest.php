<?php

declare(strict_types=1);

namespace Tests\Core\Provisioning;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Fields\Fields;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Provisioning\Capabilities;
use Jaunty\Core\Provisioning\Unsupported;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Books;

final class CapabilitiesTest extends TestCase
{
    /** What a switch holds of a book is the book, beside it; holding it again changes nothing. */
    #[DataProvider('books')]
    public function test_what_is_held_is_the_book_beside_it_and_nothing_leads_out_of_it(\Closure $made): void
    {
        $book = $made();
        foreach (self::switches() as $name => $switch) {
            $held = $switch->of($book);

            self::assertSame([], Diff::between($book, $switch->beside($held, $book))->toArray(), $name);
            self::assertSame([], Diff::between($held, $switch->of($held))->toArray(), $name);
            foreach ([$held->tenant, ...$held->objects()] as $object) {
                foreach ($object->links() as $link) {
                    if ($link->to->kind->takesCalls() && $book->find($link->to) !== null) {
                        self::assertNotNull($held->find($link->to), "{$name}: {$object->key()} {$link->path}");
                    }
                }
                $same = Reference::of($object);
                self::assertEquals($object->toArray(), $switch->held($book, $same)?->toArray(), "{$name} {$same}");
            }
        }
    }

    /** @return iterable<string, array{\Closure(): Book}> */
    public static function books(): iterable
    {
        for ($seed = 1; $seed <= 30; $seed++) {
            yield "random {$seed}" => [static fn (): Book => Books::random($seed)];
        }
        yield 'every field' => [static fn (): Book => BookFormat::fromJson(
            (string) file_get_contents(__DIR__ . '/../../data/every-field.json'),
        )];
    }

    public function test_a_code_that_is_not_the_switchs_is_told(): void
    {
        $book = BookFormat::fromJson((string) file_get_contents(__DIR__ . '/../../data/every-field.json'));
        $fields = [];
        foreach (Kind::cases() as $kind) {
            $fields[$kind->value] = array_keys(Fields::of($kind->class())->named());
        }
        $told = static fn (array $codes): array => array_map(
            static fn (Unsupported $each): string => "{$each->object} {$each->path}: {$each->why}",
            (new Capabilities($fields, codes: $codes))->unsupported($book),
        );
        $same = $book->tenant->features->codes;

        self::assertSame([], $told(array_filter($same)));
        self::assertSame(
            ['tenant:every features/codes/pickUp: its code for that is #7'],
            $told(['pickUp' => '#7'] + array_filter($same)),
        );
        self::assertSame(
            ['tenant:every features/codes/signIn: it has no such code'],
            $told(array_diff_key($same, ['signIn' => 1])),
        );
    }

    public function test_what_is_changed_there_shows_beside_what_has_no_place(): void
    {
        $book = self::menus();
        $switch = self::switches()['two levels of menus, no queues'];
        $held = $switch->of($book);
        $live = $held->with(self::with($held, 'menu:second', ['name' => 'Renamed there']))
            ->with(self::with($held, 'menu:first', ['keys' => [
                ['item' => '1', 'to' => 'menu:second'], ['item' => '9', 'to' => 'mailbox:desk'],
            ]]));

        $changes = Diff::between($book, $switch->beside($live, $book))->toArray();

        self::assertSame(
            [['menu:first', 'keys/9'], ['menu:second', 'name']],
            array_map(static fn (array $each): array => [$each['object'], $each['path']], $changes),
        );
    }

    public function test_what_has_no_place_is_said_with_why(): void
    {
        $book = self::menus();
        $switch = self::switches()['two levels of menus, no queues'];

        self::assertEquals([
            new Unsupported('menu:third', null, 'it has menus of 2 levels'),
            new Unsupported('group:desk', 'queue', 'it has no queues'),
        ], $switch->unsupported($book));
        self::assertNull($switch->of($book)->find(Reference::parse('menu:third')));
        // A shorter way there, and it has its place.
        $near = $book->with(self::with($book, 'attendant:front', ['answers' => [
            ['item' => 'open', 'when' => 'open', 'then' => 'menu:first'],
            ['item' => 'closed', 'when' => 'closed', 'then' => 'menu:third'],
        ]]));
        self::assertEquals(
            [new Unsupported('group:desk', 'queue', 'it has no queues')],
            $switch->unsupported($near),
        );
    }

    /** @return array<string, Capabilities> */
    private static function switches(): array
    {
        $all = [];
        foreach (Kind::cases() as $kind) {
            $all[$kind->value] = array_values(
                array_diff(array_keys(Fields::of($kind->class())->named()), ['id', 'key']),
            );
        }
        $noQueues = ['group' => array_values(array_diff($all['group'], ['queue']))] + $all;

        return [
            'everything' => new Capabilities($all),
            'two levels of menus, no queues' => new Capabilities(
                $noQueues,
                menuLevels: 2,
                lacks: ['group/queue' => 'it has no queues'],
            ),
            'one level of menus' => new Capabilities($all, menuLevels: 1),
            'no chains, lines and announcements' => new Capabilities(
                array_diff_key($all, ['chain' => true, 'line' => true, 'announcement' => true]),
            ),
            'people, numbers and boxes' => new Capabilities(
                array_intersect_key($all, ['tenant' => true, 'user' => true, 'number' => true, 'mailbox' => true]),
            ),
        ];
    }

    private static function menus(): Book
    {
        $menu = static fn (string $key, string $to): array => [
            'key' => $key, 'name' => $key, 'silence' => 'mailbox:desk', 'keys' => ['1' => ['to' => $to]],
        ];

        return BookFormat::fromValue([
            'format' => BookFormat::FORMAT, 'version' => BookFormat::VERSION,
            'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'groups' => [['key' => 'desk', 'name' => 'Desk', 'queue' => ['most' => 3]]],
            'mailboxes' => [['key' => 'desk']],
            'attendants' => [['key' => 'front', 'name' => 'Front', 'extension' => '280', 'answers' => [
                ['item' => 'open', 'when' => 'open', 'then' => 'menu:first'],
            ]]],
            'menus' => [
                $menu('first', 'menu:second'), $menu('second', 'menu:third'), $menu('third', 'menu:first'),
            ],
        ]);
    }

    /** @param array<string, mixed> $fields */
    private static function with(Book $book, string $object, array $fields): \Jaunty\Core\Book\BookObject
    {
        $found = $book->find(Reference::parse($object)) ?? self::fail("no {$object}");

        return $found->kind()->read(Node::of($fields + ['id' => $found->id()] + $found->toArray()));
    }
}
