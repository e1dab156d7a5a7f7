<?php

declare(strict_types=1);

namespace Tests\Core\Templates;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Templates\NewObject;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class NewObjectTest extends TestCase
{
    /** @param array<string, mixed> $fields */
    #[DataProvider('made')]
    public function test_a_name_is_enough_to_begin_with(
        Kind $kind,
        string $name,
        string $reference,
        array $fields,
    ): void {
        $made = NewObject::called($name, $kind, self::book());

        self::assertSame($reference, (string) $made->reference);
        self::assertEqualsCanonicalizing($fields, array_intersect_key($made->fields, $fields));
    }

    /** @return iterable<array{Kind, string, string, array<string, mixed>}> */
    public static function made(): iterable
    {
        yield [
            Kind::User, 'Joss  Arden Lee', 'user:joss-arden-lee',
            ['name' => ['first' => 'Joss Arden', 'last' => 'Lee'], 'extension' => '203', 'site' => 'site:quay'],
        ];
        yield [Kind::User, 'Ines Marsh', 'user:ines-marsh-2', ['extension' => '203']];
        yield [Kind::User, 'Ines', 'user:ines', ['name' => ['first' => 'Ines', 'last' => null]]];
        yield [
            Kind::Group, 'Front Desk', 'group:front-desk',
            ['name' => 'Front Desk', 'extension' => '0301', 'noAnswerSeconds' => 20],
        ];
        yield [Kind::Attendant, 'Front', 'attendant:front', ['extension' => null, 'schedule' => 'schedule:office']];
        yield [Kind::Schedule, 'Nights', 'schedule:nights', ['calendars' => ['calendar:holidays']]];
        yield [Kind::Site, 'Quay—Énd', 'site:quay-end', ['name' => 'Quay—Énd']];
        yield [Kind::Trunk, '###', 'trunk:x', ['name' => '###']];
        yield [Kind::Promise, 'Somebody answers', 'promise:somebody-answers', ['text' => 'Somebody answers']];
    }

    /** Whatever is typed, what it begins with can be read, and its key is new. */
    public function test_what_is_made_can_be_read(): void
    {
        foreach (
            [
                Kind::User, Kind::Group, Kind::Attendant, Kind::Menu, Kind::Schedule, Kind::Site, Kind::Mailbox,
                Kind::Chain, Kind::Trunk, Kind::Prompt, Kind::Announcement, Kind::Team, Kind::Contact, Kind::Line,
                Kind::Calendar,
            ] as $kind
        ) {
            foreach (['x', 'Ines Marsh', "O'Neil, Seán", '日本', str_repeat('long ', 60)] as $name) {
                $made = NewObject::called($name, $kind, self::book());
                $object = $kind->read(Node::of(['key' => $made->reference->key] + $made->fields));

                self::assertNull(self::book()->find($made->reference));
                self::book()->with($object)->checkReferences();
            }
        }
    }

    public function test_ranges_that_are_full_give_no_extension(): void
    {
        self::assertNull(NewObject::called('Cleo', Kind::User, self::book('201'))->fields['extension']);
    }

    private static function book(string $to = '299'): Book
    {
        return BookFormat::fromValue([
            'format' => BookFormat::FORMAT, 'version' => BookFormat::VERSION,
            'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'sites' => [['key' => 'quay', 'extensionRanges' => [['item' => 'a', 'from' => '201', 'to' => $to]]]],
            'users' => [['key' => 'ines-marsh', 'extension' => '201'], ['key' => 'bo', 'extension' => '202']],
            'groups' => [['key' => 'desk', 'extension' => '0300']],
            'schedules' => [['key' => 'office']], 'calendars' => [['key' => 'holidays']],
        ]);
    }
}
