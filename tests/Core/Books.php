<?php

declare(strict_types=1);

namespace Tests\Core;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Tenant;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Books for tests: a small one that reads like a customer's, and any number of random ones, each fixed by its seed. */
final class Books
{
    private const ZONES = ['America/Halifax', 'Europe/London', 'America/St_Johns', 'Asia/Kathmandu'];

    public static function small(): Book
    {
        return Book::of(
            self::tenant([
                'key' => 'inlet', 'name' => 'Inlet Property Care', 'zone' => 'America/Halifax',
                'mainNumber' => 'number:+19025550150',
            ]),
            [
                self::object(Kind::Site, ['key' => 'office', 'name' => 'Office']),
                self::object(
                    Kind::Number,
                    ['key' => '+19025550150', 'label' => 'Main number', 'destination' => 'user:ines'],
                ),
                self::object(Kind::User, [
                    'key' => 'ines',
                    'extension' => '201',
                    'name' => ['first' => 'Ines', 'last' => 'Marsh'],
                    'site' => 'site:office',
                    'mailbox' => 'mailbox:ines',
                    'legs' => [
                        ['item' => 'desk', 'kind' => 'desk', 'seconds' => 20],
                        ['item' => 'mobile', 'kind' => 'outside', 'number' => '+19025550177', 'seconds' => 15],
                    ],
                ]),
                self::object(Kind::User, ['key' => 'colm', 'extension' => '202']),
                self::object(Kind::Mailbox, [
                    'key' => 'ines', 'name' => "Ines Marsh's mailbox", 'owner' => 'user:ines', 'zero' => 'user:colm',
                ]),
            ],
        );
    }

    /** A book whose references all lead somewhere; some of them go round in circles. */
    public static function random(int $seed): Book
    {
        $dice = new Randomizer(new Mt19937($seed));
        $objects = [];
        for ($i = 0, $sites = $dice->getInt(1, 2); $i < $sites; $i++) {
            $objects[] = self::object(Kind::Site, ['key' => "site-{$i}", 'name' => "Site {$i}", 'zone' => self::maybe(
                $dice,
                self::pick($dice, self::ZONES),
            )]);
        }
        $users = $dice->getInt(1, 5);
        for ($i = 0; $i < $users; $i++) {
            $objects[] = self::object(Kind::User, self::userFields($dice, $i, $users, $sites));
        }
        for ($i = 0; $i < $users; $i++) {
            $objects[] = self::object(Kind::Mailbox, [
                'key' => "box-{$i}", 'name' => "Mailbox {$i}", 'owner' => self::maybe($dice, "user:user-{$i}"),
                'zero' => self::maybe($dice, self::destination($dice, $users)),
                'notify' => self::maybe($dice, ["u{$i}@inlet.example"]) ?? [],
            ]);
        }
        for ($i = 0, $numbers = $dice->getInt(0, 3); $i < $numbers; $i++) {
            $objects[] = self::object(Kind::Number, [
                'key' => "+1902555010{$i}", 'label' => "Number {$i}",
                'destination' => self::maybe($dice, self::destination($dice, $users)),
                'site' => self::maybe($dice, 'site:site-0'),
            ]);
        }

        return Book::of(
            self::tenant([
                'key' => 'random', 'name' => 'Random', 'zone' => self::pick($dice, self::ZONES),
                'operator' => self::maybe($dice, 'user:user-0'),
                'mainNumber' => $numbers > 0 ? 'number:+19025550100' : null,
            ]),
            $objects,
        );
    }

    /** The book after a handful of edits: fields, phones added, taken out and reordered, objects made and removed. */
    public static function edited(Book $book, int $seed): Book
    {
        $dice = new Randomizer(new Mt19937($seed));
        for ($i = 0, $edits = $dice->getInt(1, 6); $i < $edits; $i++) {
            $objects = $book->objects();
            $object = $objects[$dice->getInt(0, count($objects) - 1)];
            $book = match ($dice->getInt(0, 4)) {
                0 => $book->with(self::object(
                    Kind::User,
                    ['key' => 'new-' . $dice->getInt(0, 2), 'extension' => (string) $dice->getInt(300, 399)],
                )),
                1 => count($objects) > 3 ? $book->without(Reference::of($object)) : $book,
                2 => $book->with(self::tenant(['name' => 'Renamed ' . $dice->getInt(0, 9)] + $book->tenant->toArray())),
                default => $book->with(self::altered($dice, $object)),
            };
        }

        return $book;
    }

    /**
     * The book as an unordered bag of canonical objects: what two equal books share whatever their order. @return
     * array<string, array<string, mixed>>
     */
    public static function content(Book $book): array
    {
        $content = ['tenant' => $book->tenant->toArray()];
        foreach ($book->objects() as $object) {
            $content[(string) Reference::of($object)] = ['id' => $object->id()] + $object->toArray();
        }
        ksort($content);

        return $content;
    }

    /** @param array<string, mixed> $fields */
    public static function object(Kind $kind, array $fields): BookObject
    {
        return $kind->read(Node::of($fields));
    }

    /** @param array<string, mixed> $fields */
    private static function tenant(array $fields): Tenant
    {
        return Tenant::read(Node::of($fields));
    }

    /** @return array<string, mixed> */
    private static function userFields(Randomizer $dice, int $i, int $users, int $sites): array
    {
        return [
            'key' => "user-{$i}",
            'extension' => self::maybe($dice, (string) (201 + $i)),
            'name' => ['first' => self::maybe($dice, "First{$i}"), 'last' => self::maybe($dice, "Läst{$i}")],
            'site' => 'site:site-' . $dice->getInt(0, $sites - 1),
            'mailbox' => self::maybe($dice, "mailbox:box-{$i}"),
            'legs' => self::legs($dice),
            'handling' => ['open' => [
                'noAnswer' => self::maybe($dice, self::destination($dice, $users)),
                'busy' => self::maybe($dice, ['outside' => self::destination($dice, $users), 'inside' => null]),
            ]],
            'skills' => [['item' => 'sails', 'level' => $dice->getInt(1, 9)]],
        ];
    }

    private static function altered(Randomizer $dice, BookObject $object): BookObject
    {
        $fields = ['id' => $object->id()] + $object->toArray();
        if ($object->kind() === Kind::User) {
            $fields['legs'] = self::legs($dice);
            $fields['callWaiting'] = $dice->getInt(0, 1) === 1;
        } elseif ($object->kind() === Kind::Mailbox) {
            $fields['notify'] = ['m' . $dice->getInt(0, 3) . '@inlet.example'];
        } elseif ($object->kind() === Kind::Number) {
            $fields['label'] = 'Label ' . $dice->getInt(0, 9);
        } else {
            $fields['name'] = 'Name ' . $dice->getInt(0, 9);
        }

        return self::object($object->kind(), $fields);
    }

    /** @return list<array<string, mixed>> */
    private static function legs(Randomizer $dice): array
    {
        $legs = [];
        foreach ($dice->shuffleArray(['desk', 'mobile', 'soft', 'home']) as $item) {
            if ($dice->getInt(0, 1) === 1) {
                $legs[] = ['item' => $item, 'seconds' => $dice->getInt(5, 60)];
            }
        }

        return $legs;
    }

    private static function destination(Randomizer $dice, int $users): string
    {
        return self::pick($dice, [
            'user:user-' . $dice->getInt(0, $users - 1), 'mailbox:box-' . $dice->getInt(0, $users - 1),
            'outside:+19025550177', 'operator', 'release',
        ]);
    }

    /**
     * @template T
     *
     * @param  list<T>  $from
     * @return T
     */
    private static function pick(Randomizer $dice, array $from): mixed
    {
        return $from[$dice->getInt(0, count($from) - 1)];
    }

    /**
     * @template T
     *
     * @param  T  $value
     * @return ?T
     */
    private static function maybe(Randomizer $dice, mixed $value): mixed
    {
        return $dice->getInt(0, 2) > 0 ? $value : null;
    }
}
