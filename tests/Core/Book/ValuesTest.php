<?php

declare(strict_types=1);

namespace Tests\Core\Book;

use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Destination;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Book\Zone;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Books;

/** The small values a book is made of: what they take, and in which words they refuse. */
final class ValuesTest extends TestCase
{
    #[DataProvider('destinations')]
    public function test_a_destination_is_an_object_that_takes_calls_an_outside_number_or_a_word(string $text): void
    {
        self::assertSame($text, (string) Destination::parse($text, 'destination'));
    }

    /** @return iterable<array{string}> */
    public static function destinations(): iterable
    {
        yield ['user:ines'];
        yield ['mailbox:general'];
        yield ['outside:+19025550177'];
        foreach (['operator', 'directory', 'again', 'back', 'release', 'busy'] as $word) {
            yield [$word];
        }
    }

    #[DataProvider('noDestinations')]
    public function test_anything_else_is_refused(string $text, string $why): void
    {
        $this->expectException(UnusableBook::class);
        $this->expectExceptionMessage("then: {$why}");

        Destination::parse($text, 'then');
    }

    /** @return iterable<array{string, string}> */
    public static function noDestinations(): iterable
    {
        yield ['outside:9025550177', '"outside:9025550177" is not a telephone number in E.164 (outside:+19025550100)'];
        yield ['number:+19025550177', '"number:+19025550177" is not something that takes calls'];
        yield ['voicemail', '"voicemail" is not a reference (kind:key)'];
        yield ['user:', '"user:" is not a reference (kind:key)'];
        yield ['engine:diesel', '"engine:diesel" is not a reference (kind:key)'];
    }

    public function test_a_treatment_of_both_sides_alike_is_written_as_one(): void
    {
        $handling = static fn (mixed $noAnswer): mixed => Books::object(Kind::User, ['key' => 'ines', 'handling' => [
            'open' => ['noAnswer' => $noAnswer],
        ]])->toArray()['handling']['open']['noAnswer'];

        self::assertSame('mailbox:ines', $handling(['outside' => 'mailbox:ines', 'inside' => 'mailbox:ines']));
        self::assertSame(['outside' => 'mailbox:ines', 'inside' => null], $handling(['outside' => 'mailbox:ines']));
        self::assertNull($handling(['outside' => null, 'inside' => null]));
    }

    public function test_an_outside_phone_does_not_ring_for_groups_unless_told(): void
    {
        $legs = Books::object(Kind::User, ['key' => 'ines', 'legs' => [
            ['item' => 'desk'],
            ['item' => 'mobile', 'kind' => 'outside'],
            ['item' => 'home', 'kind' => 'outside', 'forGroups' => true],
        ]])->toArray()['legs'];

        self::assertSame([true, false, true], array_column((array) $legs, 'forGroups'));
    }

    public function test_handling_names_all_phones_or_some(): void
    {
        $legs = static fn (mixed $legs): mixed => Books::object(
            Kind::User,
            ['key' => 'ines', 'handling' => ['open' => ['legs' => $legs]]],
        )->toArray()['handling']['open']['legs'];

        self::assertSame('all', $legs('all'));
        self::assertSame('all', $legs(null));
        self::assertSame(['mobile'], $legs(['mobile']));
        self::assertSame([], $legs([]));
        $this->expectExceptionMessage('handling.open.legs: "some" is not all, or a list of legs');
        $legs('some');
    }

    #[DataProvider('faults')]
    public function test_a_field_says_what_it_wanted_and_what_it_found(mixed $value, string $message): void
    {
        $this->expectException(UnusableBook::class);
        $this->expectExceptionMessage($message);

        Books::object(
            Kind::Tenant,
            array_replace(['key' => 'inlet', 'name' => 'Inlet', 'zone' => 'America/Halifax'], (array) $value),
        );
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function faults(): iterable
    {
        yield 'a number as text' => [['secondsPerRing' => '5'], 'secondsPerRing: expected a whole number, found "5"'];
        yield 'a fraction' => [['secondsPerRing' => 5.5], 'secondsPerRing: expected a whole number, found 5.5'];
        yield 'out of range' => [['secondsPerRing' => 0], 'secondsPerRing: 0 is not between 1 and 60'];
        yield 'a list for text' => [['name' => ['Inlet']], 'name: expected text, found array'];
        yield 'a control character' => [
            ['name' => "In\x07let"],
            'name: "In\u0007let" is not text of reasonable length without control characters',
        ];
        yield 'broken letters' => [['name' => "In\xFFlet"], 'name: expected text'];
        yield 'a word that is none of them' => [
            ['state' => 'bulding'],
            'state: "bulding" is not one of draft, building, testing, in-service, suspended, leaving, archived; did '
                . 'you mean building?',
        ];
        yield 'a prefix of letters' => [
            ['outsidePrefix' => 'nine'],
            'outsidePrefix: "nine" is not a prefix of one to four keys',
        ];
        yield 'an item twice' => [
            ['blocked' => [['item' => 'a', 'callers' => 'withheld'], ['item' => 'a', 'callers' => '1900x.']]],
            'blocked[1].item: item "a" stands here twice',
        ];
        yield 'callers that are no digit map' => [
            ['blocked' => [['item' => 'a', 'callers' => 'anyone']]],
            'blocked[0].callers: "anyone" is not a digit map (RFC 3435 section 2.1.5)',
        ];
        yield 'a reference elsewhere' => [['mainNumber' => 'user:ines'], 'mainNumber: user:ines should be a number'];
        yield 'a very long word, cut short' => [['language' => str_repeat('x', 20_000)], 'language: "xxxxxxxxxx'];
    }

    public function test_a_date_is_a_day_of_the_calendar(): void
    {
        $number = static fn (string $from): mixed => Books::object(
            Kind::Number,
            ['key' => '+19025550150', 'from' => $from],
        )->toArray()['from'];

        self::assertSame('2028-02-29', $number('2028-02-29'));
        $this->expectExceptionMessage('from: "2026-02-29" is not a day of the calendar');
        $number('2026-02-29');
    }

    public function test_zones_are_those_of_the_database_of_zones_and_the_nearest_is_named(): void
    {
        self::assertSame('America/Halifax', Zone::parse('America/Halifax', 'zone'));
        foreach (['EST', '+03:00', 'america/halifax', ''] as $text) {
            try {
                Zone::parse($text, 'zone');
                self::fail("{$text} was taken for a zone");
            } catch (UnusableBook $fault) {
                self::assertSame('zone', $fault->path);
            }
        }
    }

    public function test_every_kind_reads_back_its_own_canonical_form(): void
    {
        foreach (Books::small()->objects() as $object) {
            self::assertEquals($object, $object->kind()->read(Node::of(['id' => $object->id()] + $object->toArray())));
            self::assertSame($object->key(), BookFormat::compact($object)['key']);
        }
    }

    public function test_references_compare_by_kind_and_key(): void
    {
        self::assertTrue(Reference::parse('user:ines')->equals(Reference::to(Kind::User, 'ines')));
        self::assertFalse(Reference::parse('user:ines')->equals(Reference::parse('mailbox:ines')));
        self::assertSame('user:a:b', (string) Reference::parse('user:a:b'));
    }

    public function test_kinds_know_their_place_in_a_book(): void
    {
        self::assertSame(
            [
                'sites', 'numbers', 'users', 'groups', 'chains', 'attendants', 'menus', 'schedules', 'calendars',
                'mailboxes', 'announcements', 'prompts', 'lines', 'devices', 'sharedLines',
                'conferences', 'pickUpGroups', 'parkPlaces', 'pageZones', 'trunks', 'routes', 'teams', 'contacts',
                'promises',
            ],
            array_map(static fn (Kind $kind): string => $kind->field(), Kind::listed()),
        );
        self::assertSame(
            [
                Kind::User, Kind::Group, Kind::Chain, Kind::Attendant, Kind::Menu, Kind::Mailbox, Kind::Announcement,
                Kind::Line, Kind::SharedLine, Kind::Conference,
            ],
            array_values(array_filter(Kind::cases(), static fn (Kind $kind): bool => $kind->takesCalls())),
        );
    }
}
