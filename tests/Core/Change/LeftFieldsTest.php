<?php

declare(strict_types=1);

namespace Tests\Core\Change;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Tenant;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Change\LeftFields;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Core\Books;

final class LeftFieldsTest extends TestCase
{
    #[DataProvider('paths')]
    public function test_which_paths_are_the_customer_s(Kind $kind, ?string $path, bool $isLeft): void
    {
        self::assertSame($isLeft, LeftFields::of(self::tenant(null))->has($kind, $path));
    }

    /** @return iterable<string, array{Kind, ?string, bool}> */
    public static function paths(): iterable
    {
        yield 'the field' => [Kind::Mailbox, 'greeting', true];
        yield 'the same field of another kind' => [Kind::Attendant, 'greeting', false];
        yield 'something in it' => [Kind::User, 'handling/open/always/outside', true];
        yield 'beside it' => [Kind::User, 'handling/open/noAnswer', false];
        yield 'what holds it' => [Kind::User, 'handling', false];
        yield 'of any item' => [Kind::Group, 'members/ana/signedIn', true];
        yield 'an item itself' => [Kind::Group, 'members/ana', false];
        yield 'a whole object' => [Kind::Mailbox, null, false];
    }

    public function test_what_the_book_says_replaces_the_usual(): void
    {
        $fields = LeftFields::of(self::tenant(['user.email']));

        self::assertSame([true, false], [$fields->has(Kind::User, 'email'), $fields->has(Kind::Mailbox, 'greeting')]);
        self::assertFalse(LeftFields::of(self::tenant([]))->has(Kind::Mailbox, 'greeting'));
    }

    /** Law: whichever part of what lies between two books is taken, it leads to nothing that is not there. */
    public function test_a_part_of_a_change_is_taken_only_so_far_as_its_references_lead_somewhere(): void
    {
        $dropped = 0;
        for ($seed = 1; $seed <= 300; $seed++) {
            $book = Books::random($seed);
            $operations = Diff::between($book, Books::random($seed + 1_000))->operations;
            $whole = ChangeSet::of(...$operations);
            self::assertSame($whole->operations, $whole->leadingSomewhere($book)->operations);
            $dice = new Randomizer(new Mt19937($seed));
            $part = ChangeSet::of(...array_filter($operations, static fn (): bool => $dice->getInt(0, 1) === 1));

            $taken = $part->leadingSomewhere($book);

            $taken->applyTo($book)->checkReferences();
            $dropped += count($part->operations) - count($taken->operations);
        }
        self::assertGreaterThan(20, $dropped);
    }

    /** Law: what is taken over differs from live in nothing that is left, and from the book in nothing else. */
    public function test_taking_over_moves_what_is_left_and_nothing_more(): void
    {
        for ($seed = 1; $seed <= 60; $seed++) {
            $random = Books::random($seed);
            $book = Book::of(
                self::tenant(['user.legs', 'user.callWaiting', 'mailbox.notify'], $random->tenant),
                $random->objects(),
            );
            $live = Books::edited($book, $seed);
            $fields = LeftFields::of($book->tenant);
            $taken = $fields->taken($book, $live);

            foreach (Diff::between($book, $taken)->operations as $operation) {
                self::assertTrue(
                    $fields->has($operation->object->kind, $operation->path),
                    "seed {$seed}: {$operation->object} {$operation->path}",
                );
            }
            self::assertSame([], $fields->differences($taken, $live), "seed {$seed}");
        }
    }

    #[DataProvider('unusable')]
    public function test_a_field_that_is_none_is_refused(string $field): void
    {
        $this->expectException(UnusableBook::class);

        self::tenant([$field]);
    }

    /** @return iterable<string, array{string}> */
    public static function unusable(): iterable
    {
        yield 'no kind' => ['greeting'];
        yield 'a kind that is none' => ['letterbox.greeting'];
        yield 'no field' => ['mailbox.'];
        yield 'an index' => ['group.members[0].signedIn'];
    }

    /** @param ?list<string> $left */
    private static function tenant(?array $left, ?Tenant $of = null): Tenant
    {
        return Tenant::read(
            Node::of(
                ['leftToCustomer' => $left] + ($of?->toArray() ?? ['key' => 'inlet', 'zone' => 'America/Halifax']),
            ),
        );
    }
}
