<?php

declare(strict_types=1);

namespace Tests\Core\Calls;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Change\Merge;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Books;

/** The laws of format and change, on the books of the worked cases, which hold every kind that calls meet. */
final class CaseBooksTest extends TestCase
{
    #[DataProvider('books')]
    public function test_a_book_written_and_read_is_the_same_book(string $json): void
    {
        $book = BookFormat::fromJson($json);

        self::assertEquals($book, BookFormat::fromJson(BookFormat::toJson($book)));
    }

    #[DataProvider('pairs')]
    public function test_the_difference_of_two_books_makes_one_of_the_other_and_back(string $one, string $other): void
    {
        $before = BookFormat::fromJson($one);
        $after = $this->of(BookFormat::fromJson($other), $before);
        $changes = ChangeSet::read(
            json_decode(json_encode(Diff::between($before, $after)->toArray(), JSON_THROW_ON_ERROR), true),
        );

        self::assertSame(Books::content($after), Books::content($changes->applyTo($before)));
        self::assertSame(Books::content($before), Books::content($changes->inverse()->applyTo($after)));
        self::assertSame([], Merge::onto($before, $changes)->clashes);
        self::assertTrue(Merge::onto($after, $changes)->changes->isEmpty());
    }

    /** @return iterable<string, array{string}> */
    public static function books(): iterable
    {
        $seen = [];
        foreach (CaseFiles::all() as $name => [$book]) {
            if (! isset($seen[$book])) {
                $seen[$book] = true;
                yield $name => [$book];
            }
        }
    }

    /** @return iterable<string, array{string, string}> */
    public static function pairs(): iterable
    {
        $before = null;
        foreach (self::books() as $name => [$book]) {
            if ($before !== null) {
                yield $name => [$before, $book];
            }
            $before = $book;
        }
    }

    /** The other book as one of the same customer: a customer is never made or removed by a change. */
    private function of(Book $book, Book $customer): Book
    {
        $tenant = \Jaunty\Core\Book\Tenant::read(
            \Jaunty\Core\Book\Node::of(['key' => $customer->tenant->key] + $book->tenant->toArray()),
        );

        return Book::of($tenant, $book->objects());
    }
}
