<?php

declare(strict_types=1);

namespace Tests\Core\Book;

use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Evolution\Evolution;
use Jaunty\Core\Book\Evolution\Step;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Change\Diff;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Books, changes and objects of older versions of the format are read as the same things today. */
final class EvolutionTest extends TestCase
{
    private const DATA = __DIR__ . '/../../data';

    /** The files are as they were when the format was of version 1, to the letter, and stay so. */
    #[DataProvider('firstBooks')]
    public function test_a_book_of_the_first_version_is_read_and_written_as_one_of_now(string $file): void
    {
        $json = (string) file_get_contents($file);
        $book = BookFormat::fromJson($json);
        $again = BookFormat::fromJson(BookFormat::toJson($book));

        self::assertStringContainsString('"version": 1', $json);
        self::assertSame(BookFormat::VERSION, BookFormat::toValue($book)['version']);
        self::assertTrue(Diff::between($book, $again)->isEmpty());
        self::assertGreaterThan(10, count($book->objects()));
    }

    /** @return iterable<string, array{string}> */
    public static function firstBooks(): iterable
    {
        foreach (['inlet', 'every-field'] as $name) {
            yield $name => [self::DATA . "/version-1/{$name}.json"];
        }
    }

    public function test_a_place_that_rang_not_at_all_rings_once(): void
    {
        self::assertSame([1, 3, null], $this->rings($this->oldBook()));
    }

    /** What was entered of it then can be taken back now: the change and the book come through the same door. */
    public function test_a_change_of_then_is_undone_and_compared_today(): void
    {
        $then = [
            ['op' => 'set', 'object' => 'chain:nights', 'path' => 'places/ana/rings', 'before' => 4, 'after' => 0],
            [
                'op' => 'set', 'object' => 'chain:nights', 'path' => 'places/cy', 'before' => null,
                'after' => ['item' => 'cy', 'to' => 'user:ana', 'rings' => null], 'behind' => 'bo',
            ],
        ];
        $book = $this->oldBook();
        $before = ChangeSet::read($then, version: 1)->inverse()->applyTo($book);

        self::assertSame([4, 3], $this->rings($before));
        self::assertSame(ChangeSet::read($then, version: 1)->toArray()[0], Diff::between($before, $book)->toArray()[0]);
    }

    public function test_the_same_made_anew_is_told_by_its_version(): void
    {
        $this->expectException(UnusableBook::class);

        Kind::Chain->read(Node::of(['key' => 'nights', 'places' => [['item' => 'ana', 'to' => null, 'rings' => 0]]]));
    }

    public function test_a_book_of_a_version_to_come_is_refused_with_the_versions_that_can_be_read(): void
    {
        $this->expectException(UnusableBook::class);
        $this->expectExceptionMessage('version');

        BookFormat::fromValue(['format' => BookFormat::FORMAT, 'version' => BookFormat::VERSION + 1, 'tenant' => [
            'key' => 'inlet',
            'zone' => 'America/Halifax',
        ]]);
    }

    /** Renaming and recoding through several versions: objects, paths, and what a change started from. */
    public function test_fields_that_are_renamed_are_so_in_objects_and_in_changes_of_them(): void
    {
        $evolution = Evolution::of([
            1 => $this->step('legs', 'phones', 'seconds', static fn (int $seconds): int => $seconds),
            2 => $this->step('', '', 'seconds', static fn (int $seconds): int => intdiv($seconds, 5)),
        ]);

        self::assertSame(
            ['key' => 'ana', 'phones' => [['item' => 'desk', 'seconds' => 4]]],
            $evolution->object(1, Kind::User, ['key' => 'ana', 'legs' => [['item' => 'desk', 'seconds' => 20]]]),
        );
        self::assertEquals(
            [['op' => 'set', 'object' => 'user:ana', 'path' => 'phones/desk/seconds', 'before' => 4, 'after' => 5]],
            $evolution->operations(1, [
                ['op' => 'set', 'object' => 'user:ana', 'path' => 'legs/desk/seconds', 'before' => 20, 'after' => 25],
            ]),
        );
        self::assertEquals(
            [[
                'op' => 'move', 'object' => 'user:ana', 'path' => 'phones', 'before' => ['desk', 'soft'],
                'after' => ['soft', 'desk'],
            ]],
            $evolution->operations(1, [[
                'op' => 'move', 'object' => 'user:ana', 'path' => 'legs', 'before' => ['desk', 'soft'],
                'after' => ['soft', 'desk'],
            ]]),
        );
        self::assertEquals(
            [['op' => 'create', 'object' => 'user:ana', 'before' => null, 'after' => ['key' => 'ana', 'phones' => [
                ['item' => 'desk', 'seconds' => 4],
            ]]]],
            $evolution->operations(1, [[
                'op' => 'create', 'object' => 'user:ana', 'before' => null,
                'after' => ['key' => 'ana', 'legs' => [['item' => 'desk', 'seconds' => 20]]],
            ]]),
        );
        self::assertSame(
            ['key' => 'ana', 'phones' => [['item' => 'desk', 'seconds' => 20]]],
            $evolution->object(3, Kind::User, ['key' => 'ana', 'phones' => [['item' => 'desk', 'seconds' => 20]]]),
        );
    }

    /** What is no book, and no change, is the reader's to refuse. */
    public function test_what_is_none_comes_through_unchanged(): void
    {
        $evolution = Evolution::toNow();

        self::assertSame(
            [3, ['object' => 7], ['object' => 'ship:x', 'path' => 'a']],
            $evolution->operations(1, [3, ['object' => 7], ['object' => 'ship:x', 'path' => 'a']]),
        );
        self::assertSame('none', $evolution->operations(1, 'none'));
        self::assertSame(
            ['keys' => ['1' => ['to' => 'release'], '12' => ['to' => 'busy']]],
            $evolution->object(1, Kind::Menu, ['keys' => ['1' => ['to' => 'release'], '12' => ['to' => 'busy']]]),
        );
        self::assertSame(
            ['legs' => 'none', 'places' => [3, [0]]],
            $evolution->object(1, Kind::Chain, ['legs' => 'none', 'places' => [3, [0]]]),
        );
    }

    private function oldBook(): \Jaunty\Core\Book\Book
    {
        return BookFormat::fromValue([
            'format' => BookFormat::FORMAT, 'version' => 1, 'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'users' => [['key' => 'ana'], ['key' => 'bo']],
            'chains' => [['key' => 'nights', 'places' => [
                ['item' => 'ana', 'to' => 'user:ana', 'rings' => 0],
                ['item' => 'bo', 'to' => 'user:bo', 'rings' => 3],
                ['item' => 'cy', 'to' => 'user:ana'],
            ]]],
        ]);
    }

    /** @return list<?int> */
    private function rings(\Jaunty\Core\Book\Book $book): array
    {
        return array_map(static fn (array $place): ?int => $place['rings'], $book->all(Chain::class)[0]->places);
    }

    /** @param \Closure(int): int $recode */
    private function step(string $was, string $is, string $recodes, \Closure $recode): Step
    {
        return new class ($was, $is, $recodes, $recode) implements Step {
            /** @param \Closure(int): int $recode */
            public function __construct(
                private string $was,
                private string $is,
                private string $recodes,
                private \Closure $recode,
            ) {
            }

            public function concerns(Kind $kind): bool
            {
                return true;
            }

            public function name(Kind $kind, string $path): string
            {
                return $path === $this->was ? $this->is : basename($path);
            }

            public function value(Kind $kind, string $path, mixed $value): mixed
            {
                return basename($path) === $this->recodes && is_int($value) ? ($this->recode)($value) : $value;
            }
        };
    }
}
