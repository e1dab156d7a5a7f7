<?php

declare(strict_types=1);

namespace Tests\Core\Book;

use Eris\Generators;
use Eris\TestTrait;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\UnusableBook;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Books;

final class BookFormatTest extends TestCase
{
    use TestTrait;

    public function test_a_book_written_and_read_is_the_same_book(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $book = Books::random($seed);
            $again = BookFormat::fromJson(BookFormat::toJson($book));
            self::assertEquals($book, $again);
            self::assertSame(BookFormat::toJson($book), BookFormat::toJson($again));
        });
    }

    public function test_defaults_are_left_out_and_come_back(): void
    {
        $json = BookFormat::toJson(Books::small());

        self::assertStringNotContainsString('secondsPerRing', $json);
        self::assertStringNotContainsString('callWaiting', $json);
        self::assertSame(5, BookFormat::fromJson($json)->tenant->secondsPerRing);
    }

    /** @param array<string, mixed> $change what is put over the small book */
    #[DataProvider('unusableBooks')]
    public function test_a_fault_is_named_with_where_it_stands(array $change, string $message): void
    {
        $value = array_replace_recursive(BookFormat::toValue(Books::small()), $change);

        $this->expectException(UnusableBook::class);
        $this->expectExceptionMessage($message);

        BookFormat::fromValue($value);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function unusableBooks(): iterable
    {
        yield 'a field nobody knows, with the nearest that exists' => [
            ['users' => [0 => ['extenson' => '201']]],
            'users[0].extenson: unknown field; did you mean extension?',
        ];
        yield 'text where seconds belong' => [
            ['users' => [0 => ['legs' => [0 => ['seconds' => 'twenty']]]]],
            'users[0].legs[0].seconds: expected a whole number, found "twenty"',
        ];
        yield 'seconds beyond the hour' => [
            ['users' => [0 => ['legs' => [1 => ['seconds' => 3601]]]]],
            'users[0].legs[1].seconds: 3601 is not between 1 and 3600',
        ];
        yield 'two phones of one name' => [
            ['users' => [0 => ['legs' => [1 => ['item' => 'desk']]]]],
            'item "desk" stands here twice',
        ];
        yield 'a reference that leads nowhere' => [
            ['numbers' => [0 => ['destination' => 'user:nobody']]],
            'number:+19025550150.destination: "user:nobody" is not in the book',
        ];
        yield 'a reference of the wrong kind' => [
            ['users' => [0 => ['mailbox' => 'user:colm']]],
            'users[0].mailbox: user:colm should be a mailbox',
        ];
        yield 'a destination that takes no calls' => [
            ['numbers' => [0 => ['destination' => 'site:office']]],
            'numbers[0].destination: "site:office" is not something that takes calls',
        ];
        yield 'a zone that is none' => [['tenant' => ['zone' => 'Atlantis/Centre']], 'tenant.zone'];
        yield 'a number without its plus' => [
            ['numbers' => [0 => ['key' => '19025550150']]],
            'numbers[0].key: "19025550150" is not a telephone number in E.164 (+19025550100)',
        ];
        yield 'another format' => [
            ['format' => 'jaunty-roster/template'],
            'format: "jaunty-roster/template" is not one of jaunty-roster/tenant-book',
        ];
        yield 'a version to come' => [['version' => 4], 'version: 4 is not between 1 and 3'];
        yield 'a key of another kind of case' => [
            ['users' => [0 => ['key' => 'Ines']]],
            'users[0].key: "Ines" is not a key (small letters, digits, dots and hyphens)',
        ];
    }

    public function test_text_that_is_no_json_says_so(): void
    {
        $this->expectException(UnusableBook::class);
        $this->expectExceptionMessage('is not JSON (Syntax error)');

        BookFormat::fromJson('{"format": ');
    }

    public function test_two_objects_of_one_key_are_refused(): void
    {
        $value = BookFormat::toValue(Books::small());
        $value['users'] = [['key' => 'ines'], ['key' => 'ines']];

        $this->expectExceptionMessage('users: key "ines" stands here twice');

        BookFormat::fromValue($value);
    }

    public function test_live_is_read_even_where_it_leads_nowhere(): void
    {
        $value = array_replace_recursive(BookFormat::toValue(Books::small()), [
            'numbers' => [0 => ['destination' => 'user:nobody']],
        ]);

        self::assertSame(
            'user:nobody',
            BookFormat::toValue(BookFormat::fromLiveValue($value))['numbers'][0]['destination'],
        );
    }
}
