<?php

declare(strict_types=1);

namespace Tests\Core\Book;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\ExtensionPlan;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\UnusableBook;
use PHPUnit\Framework\TestCase;

final class ExtensionPlanTest extends TestCase
{
    public function test_of_two_holders_the_first_kind_is_reached_and_a_book_that_is_entered_may_not_have_them(): void
    {
        $book = self::book(['groups' => [['key' => 'desk', 'extension' => '202']], 'mailboxes' => [
            ['key' => 'night', 'extension' => '202'],
        ]]);
        $plan = ExtensionPlan::of($book);

        self::assertSame('group:desk', (string) Reference::of($plan->reached('202') ?? self::fail()));
        self::assertSame(['202'], $plan->doubles());
        self::assertNull($plan->reached('999'));
        $this->expectException(UnusableBook::class);
        $this->expectExceptionMessageMatches('/mailbox:night.*202.*desk/s');
        $book->checkExtensions();
    }

    public function test_leading_zeros_count_in_what_is_held_and_in_what_is_free(): void
    {
        $plan = ExtensionPlan::of(
            self::book(['users' => [['key' => 'ana', 'extension' => '0201'], ['key' => 'bo', 'extension' => '201']]]),
        );

        self::assertSame([], $plan->doubles());
        self::assertSame(['0200', '0202', '0203'], $plan->free('0200', 3));
        self::assertSame(['200', '202'], $plan->free('200', 2));
        self::assertSame(['998', '999'], $plan->free('998', 5), 'no longer than the first');
        self::assertSame(['200', '210', '220'], $plan->free('200', 3, 10));
    }

    public function test_a_site_s_ranges_are_used_up_in_order(): void
    {
        $book = self::book(['sites' => [['key' => 'quay', 'extensionRanges' => [
            ['item' => 'a', 'from' => '200', 'to' => '202'],
            ['item' => 'b', 'from' => '300', 'to' => '399'],
        ]]]]);
        $site = $book->find(Reference::to(Kind::Site, 'quay'));
        self::assertInstanceOf(Site::class, $site);

        self::assertSame(['200', '202', '300'], ExtensionPlan::of($book)->freeAt($site, 3));
    }

    public function test_a_key_that_begins_extensions_makes_callers_wait(): void
    {
        self::assertSame(
            ['201', '210'],
            ExtensionPlan::of(self::book(
                ['groups' => [['key' => 'desk', 'extension' => '210'], ['key' => 'far', 'extension' => '310']]],
            ))->begunBy('2'),
        );
    }

    /** @param array<string, mixed> $fields */
    private static function book(array $fields): Book
    {
        return BookFormat::fromValue($fields + [
            'format' => BookFormat::FORMAT, 'version' => 1, 'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'users' => [['key' => 'ana', 'extension' => '201']],
        ]);
    }
}
