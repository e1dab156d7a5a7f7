<?php

declare(strict_types=1);

namespace Tests\Core\Audit;

use Jaunty\Core\Audit\Destinations;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\BookObject;
use PHPUnit\Framework\TestCase;

final class DestinationsTest extends TestCase
{
    /**
     * In a book with every field set, what refers to something that takes calls is told by its field; names that look
     * like destinations are not.
     */
    public function test_every_field_that_sends_calls_on_is_told_and_no_other(): void
    {
        $book = BookFormat::fromJson((string) file_get_contents(dirname(__DIR__, 2) . '/data/every-field.json'));
        $all = [];
        foreach ([$book->tenant, ...$book->objects()] as $object) {
            foreach (Destinations::of($object) as $path => $to) {
                $all[] = $to;
                self::assertMatchesRegularExpression(
                    '/^(?:[a-z]+:\S+|operator|directory|again|back|release|busy)$/',
                    $to,
                    "{$object->key()} {$path}",
                );
            }
        }
        self::assertNotSame([], preg_grep('/^outside:/', $all));
        self::assertNotSame([], preg_grep('/^(?:operator|release)$/', $all));
    }

    public function test_places_are_named_by_their_items_and_text_is_left_alone(): void
    {
        $book = BookFormat::fromValue([
            'format' => BookFormat::FORMAT, 'version' => BookFormat::VERSION,
            'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'users' => [['key' => 'a', 'name' => ['first' => 'busy', 'last' => 'back'], 'handling' => [
                'open' => ['busy' => ['outside' => 'release', 'inside' => null]],
            ]]],
            'groups' => [[
                'key' => 'desk', 'name' => 'operator',
                'members' => [['item' => 'van', 'who' => 'outside:+19025550177']],
                'otherwise' => ['noAnswer' => 'user:a'],
            ]],
            'menus' => [['key' => 'day', 'keys' => ['1' => ['to' => 'group:desk', 'label' => 'again']]]],
        ]);
        $of = static fn (BookObject $object): array => Destinations::of($object);

        self::assertSame(
            [
                ['handling/open/busy/outside' => 'release'],
                ['members/van/who' => 'outside:+19025550177', 'otherwise/noAnswer' => 'user:a'],
                ['keys/1/to' => 'group:desk'],
            ],
            array_map($of, [$book->objects()[0], $book->objects()[1], $book->objects()[2]]),
        );
        self::assertSame(['members/van/who' => '+19025550177'], Destinations::outsideOf($book->objects()[1]));
    }
}
