<?php

declare(strict_types=1);

namespace Tests\House;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Fields\Fields;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\UnusableBook;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The published schema of the tenant book and the reader say the same. */
final class BookSchemaTest extends TestCase
{
    private const ROOT = __DIR__ . '/../..';

    private const OBJECTS = 'https://roster.example/objects.json';

    private static ?Validator $objects = null;

    #[DataProvider('books')]
    public function test_every_book_and_its_canonical_form_fit_the_schema(string $json): void
    {
        $book = BookFormat::fromJson($json);

        self::assertSame('', $this->faults($json));
        self::assertSame('', $this->faults(BookFormat::toJson($book)));
        foreach ([$book->tenant, ...$book->objects()] as $object) {
            self::assertSame('', $this->faultsOf($object), (string) Reference::of($object));
        }
    }

    /** @return iterable<string, array{string}> */
    public static function books(): iterable
    {
        foreach (
            [...(array) glob(self::ROOT . '/tests/data/calls/*.txt'), ...(array) glob(
                self::ROOT . '/tests/data/calls/random/*.txt',
            )] as $file
        ) {
            if (preg_match('/^--- book\s*$(.*?)^--- /ms', (string) file_get_contents((string) $file), $found) === 1) {
                yield basename((string) $file) => [$found[1]];
            }
        }
        foreach (
            [
                'docs/examples/inlet.json', 'docs/examples/inlet-live.json', 'tests/data/bench-book.json',
                'tests/data/every-field.json',
            ] as $file
        ) {
            yield $file => [(string) file_get_contents(self::ROOT . "/{$file}")];
        }
    }

    /** @param array<string, mixed> $object */
    #[DataProvider('faulty')]
    public function test_what_the_schema_refuses_the_reader_refuses_too(string $field, array $object): void
    {
        $json = json_encode(
            [
                'format' => BookFormat::FORMAT, 'version' => 1,
                'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'], $field => [$object],
            ],
            JSON_THROW_ON_ERROR,
        );

        self::assertNotSame('', $this->faults($json));
        $this->expectException(UnusableBook::class);
        BookFormat::fromJson($json);
    }

    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function faulty(): iterable
    {
        yield 'an unknown field' => ['users', ['key' => 'ana', 'shoeSize' => 40]];
        yield 'no key' => ['users', ['extension' => '201']];
        yield 'a word for a number' => ['groups', ['key' => 'desk', 'ringsEach' => 'three']];
        yield 'a number out of range' => ['groups', ['key' => 'desk', 'ringsEach' => 101]];
        yield 'a destination that takes no calls' => [
            'numbers',
            ['key' => '+19025550100', 'destination' => 'schedule:office'],
        ];
        yield 'a reference of another kind' => ['attendants', ['key' => 'front', 'schedule' => 'calendar:holidays']];
        yield 'a word that is none' => ['mailboxes', ['key' => 'box', 'pin' => 'strong']];
        yield 'two members alike in nothing but a missing item' => [
            'groups',
            ['key' => 'desk', 'members' => [['who' => 'user:ana']]],
        ];
        yield 'a key no telephone has' => ['menus', ['key' => 'main', 'keys' => ['12' => ['to' => 'release']]]];
        yield 'a number without its plus' => ['numbers', ['key' => '19025550100']];
        yield 'a time past midnight' => ['schedules', ['key' => 'office', 'weekly' => [
            ['item' => 'a', 'days' => ['mon'], 'from' => '08:00', 'to' => '25:00'],
        ]]];
    }

    /** Every field of the canonical form has its place in the schema, at every depth, and the schema names no other. */
    #[DataProvider('kinds')]
    public function test_the_schema_names_the_fields_the_reader_knows(Kind $kind): void
    {
        $ofKind = $this->schema()['$defs'][$kind->value];
        $expected = ['id', ...array_keys($this->bare($kind)->toArray())];

        self::assertEqualsCanonicalizing($expected, array_keys($ofKind['properties']));
    }

    /** @return iterable<string, array{Kind}> */
    public static function kinds(): iterable
    {
        foreach (Kind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    /** A default the schema publishes is the one the reader fills in. */
    #[DataProvider('kinds')]
    public function test_the_schema_s_defaults_are_the_reader_s(Kind $kind): void
    {
        $ofKind = $this->schema()['$defs'][$kind->value];
        $bare = $this->bare($kind)->toArray();
        $published = array_map(static fn (array $property): mixed => $property['default'], array_filter(
            $ofKind['properties'],
            static fn (array $property): bool => array_key_exists('default', $property),
        ));

        self::assertSame($published, array_replace($published, array_intersect_key($bare, $published)));
    }

    private function bare(Kind $kind): BookObject
    {
        return $kind->read(Node::of(['key' => $kind === Kind::Number ? '+19025550100' : 'x'] + match ($kind) {
            Kind::Tenant => ['zone' => 'America/Halifax'],
            Kind::Route => ['digits' => '9x.'],
            default => [],
        }));
    }

    /** What the canonical form of an object has that the HTTP API does not promise. */
    private function faultsOf(BookObject $object): string
    {
        self::$objects ??= self::validatorOfObjects();
        $result = self::$objects->validate(
            json_decode(json_encode(Fields::of($object::class)->json($object), JSON_THROW_ON_ERROR)),
            self::OBJECTS . "#/\$defs/{$object->kind()->value}",
        );
        $error = $result->error();

        return $error === null
            ? ''
            : json_encode((new ErrorFormatter())->format($error), JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES);
    }

    private static function validatorOfObjects(): Validator
    {
        $validator = new Validator();
        $validator->resolver()
            ?->registerRaw((string) file_get_contents(self::ROOT . '/contract/objects.json'), self::OBJECTS);

        return $validator;
    }

    private function faults(string $json): string
    {
        $validator = new Validator();
        $result = $validator->validate(json_decode($json, false, flags: JSON_THROW_ON_ERROR), json_decode(
            (string) file_get_contents(self::ROOT . '/docs/tenant-book.schema.json'),
            false,
            flags: JSON_THROW_ON_ERROR,
        ));
        $error = $result->error();

        return $error === null
            ? ''
            : json_encode((new ErrorFormatter())->format($error), JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES);
    }

    /** @return array<string, mixed> */
    private function schema(): array
    {
        return (array) json_decode(
            (string) file_get_contents(self::ROOT . '/docs/tenant-book.schema.json'),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
    }
}
