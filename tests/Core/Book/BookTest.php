<?php

declare(strict_types=1);

namespace Tests\Core\Book;

use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Link;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\UnusableBook;
use PHPUnit\Framework\TestCase;
use Tests\Core\Books;

final class BookTest extends TestCase
{
    public function test_an_extension_may_answer_for_one_object_only_whatever_its_kind(): void
    {
        $book = Books::small()->with(Books::object(Kind::Mailbox, ['key' => 'general', 'extension' => '201']));

        $this->expectException(UnusableBook::class);
        $this->expectExceptionMessage('mailbox:general.extension: 201 is taken by Ines Marsh');

        $book->checkExtensions();
    }

    public function test_taking_an_object_out_leaves_its_references_to_be_found(): void
    {
        $book = Books::small()->without(Reference::to(Kind::User, 'colm'));

        $this->expectExceptionMessage('mailbox:ines.zero: "user:colm" is not in the book');

        $book->checkReferences();
    }

    public function test_every_reference_of_an_object_is_among_its_links(): void
    {
        $links = static fn (string $reference): array => array_map(
            static fn (Link $link): string => "{$link->path} {$link->to}",
            Books::small()->find(Reference::parse($reference))?->links() ?? [],
        );

        self::assertSame(['site site:office', 'mailbox mailbox:ines'], $links('user:ines'));
        self::assertSame(['owner user:ines', 'zero user:colm'], $links('mailbox:ines'));
        self::assertSame(['destination user:ines'], $links('number:+19025550150'));
        self::assertSame(['mainNumber number:+19025550150'], $links('tenant:inlet'));
    }

    public function test_a_treatment_that_parts_outside_and_inside_has_a_link_for_each(): void
    {
        $user = Books::object(Kind::User, ['key' => 'dara', 'handling' => ['open' => [
            'noAnswer' => ['outside' => 'mailbox:ines', 'inside' => 'user:colm'],
            'busy' => 'mailbox:ines',
        ]]]);
        $links = array_map(static fn (Link $link): string => "{$link->path} {$link->to}", $user->links());
        sort($links);

        self::assertSame(
            [
                'handling/open/busy mailbox:ines',
                'handling/open/noAnswer/inside user:colm',
                'handling/open/noAnswer/outside mailbox:ines',
            ],
            $links,
        );
    }

    public function test_a_key_of_digits_stays_text(): void
    {
        $book = Books::small()->with(Books::object(Kind::User, ['key' => '201']));

        self::assertSame('201', $book->find(Reference::parse('user:201'))?->key());
    }

    public function test_a_user_is_called_by_the_display_name_then_the_full_name_then_the_key(): void
    {
        $label = static fn (array $fields): string => Books::object(Kind::User, ['key' => 'w-abel'] + $fields)->label();

        self::assertSame('Loft', $label(['display' => 'Loft', 'name' => ['first' => 'Wynn']]));
        self::assertSame('Abel', $label(['name' => ['last' => 'Abel']]));
        self::assertSame('w-abel', $label([]));
    }
}
