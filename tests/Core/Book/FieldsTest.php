<?php

declare(strict_types=1);

namespace Tests\Core\Book;

use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\BookPart;
use Jaunty\Core\Book\Fields\Catalogue;
use Jaunty\Core\Book\Fields\Each;
use Jaunty\Core\Book\Fields\Field;
use Jaunty\Core\Book\Fields\Fields;
use Jaunty\Core\Book\Fields\HasItems;
use Jaunty\Core\Book\Fields\Items;
use Jaunty\Core\Book\Fields\Part;
use Jaunty\Core\Book\Handling;
use Jaunty\Core\Book\Kind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What the classes of the book declare is what they hold, and the paths that edits and findings name lead into it. */
final class FieldsTest extends TestCase
{
    /** @param class-string $class */
    #[DataProvider('classes')]
    public function test_a_property_may_be_null_where_its_field_may_be_unset(string $class): void
    {
        foreach (Fields::of($class)->fields as [$property, , , $field]) {
            $type = (new \ReflectionProperty($class, $property))->getType();

            self::assertInstanceOf(\ReflectionNamedType::class, $type);
            // `legs` of a handling is null for all, and written as that word.
            if ("{$class}::{$property}" === Handling::class . '::legs') {
                continue;
            }
            self::assertSame(
                $field instanceof Each ? false : $field->mayBeUnset(),
                $type->allowsNull(),
                "{$class}::\${$property}",
            );
        }
    }

    /** @return iterable<string, array{class-string}> */
    public static function classes(): iterable
    {
        $classes = array_map(static fn (Kind $kind): string => $kind->class(), Kind::cases());
        foreach (Kind::cases() as $kind) {
            foreach (Catalogue::of($kind) as $field) {
                if (
                    ($field instanceof Part || $field instanceof Items)
                    && method_exists($field->class, '__construct')
                    && self::declares($field->class)
                ) {
                    $classes[] = $field->class;
                }
            }
        }
        foreach (array_unique($classes) as $class) {
            yield substr($class, (int) strrpos($class, '\\') + 1) => [$class];
        }
    }

    #[DataProvider('kinds')]
    public function test_every_value_of_a_book_lies_at_a_field(Kind $kind): void
    {
        $fields = Fields::of($kind->class());
        $met = 0;
        foreach (self::everyField() as $object) {
            foreach ($object->kind() === $kind ? self::paths($object->toArray()) : [] as $path) {
                self::assertInstanceOf(Field::class, $fields->at($path), $path);
                $met++;
            }
        }
        self::assertGreaterThan(1, $met);
    }

    /** @return iterable<string, array{Kind}> */
    public static function kinds(): iterable
    {
        foreach (Kind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[DataProvider('nowhere')]
    public function test_a_path_that_leads_nowhere_leads_to_no_field(Kind $kind, string $path): void
    {
        self::assertNull(Fields::of($kind->class())->at($path));
    }

    /** @return iterable<array{Kind, string}> */
    public static function nowhere(): iterable
    {
        yield [Kind::User, 'shoeSize'];
        yield [Kind::User, 'name/middle'];
        yield [Kind::User, 'handling/opened/always'];
        yield [Kind::User, 'handling/open/always/nobody'];
        yield [Kind::User, 'extension/201'];
        yield [Kind::User, 'legs/desk/colour'];
        yield [Kind::Group, 'otherwise/never'];
        yield [Kind::Menu, 'keys/1/leadsTo'];
        yield [Kind::Tenant, ''];
    }

    /** The order of a list's items, and whole items, are told of by edits and differences too. */
    public function test_lists_have_an_order_and_items(): void
    {
        self::assertInstanceOf(HasItems::class, Fields::of(Kind::User->class())->at('legs/#order'));
        self::assertInstanceOf(Part::class, Fields::of(Kind::User->class())->at('legs/desk'));
        self::assertNotNull(Fields::of(Kind::Schedule->class())->at('periods/summer/weekly/week/days'));
    }

    public function test_what_is_left_to_a_customer_is_what_people_change_by_the_hour(): void
    {
        self::assertEqualsCanonicalizing([
            'user.handling/open/always', 'user.handling/closed/always', 'user.handling/holiday/always',
            'group.closedByHand', 'group.members/*/signedIn', 'mailbox.greeting', 'mailbox.pin',
        ], Catalogue::left());
        self::assertSame(['mailbox.pin', 'conference.pin', 'route.pin'], Catalogue::secrets());
    }

    /** Switches, forms and pictures are tried on this book: a field it does not set is tried nowhere. */
    public function test_the_book_of_every_field_sets_every_field(): void
    {
        $set = [];
        foreach (self::everyField() as $object) {
            foreach (self::paths(BookFormat::compact($object)) as $path) {
                $set["{$object->kind()->value}.{$path}"] = true;
            }
        }
        $missing = [];
        foreach (Kind::cases() as $kind) {
            foreach (array_keys(Catalogue::of($kind)) as $path) {
                $form = '#^'
                    . preg_quote($kind->value, '#')
                    . '\.'
                    . str_replace('\*', '[^/]+', preg_quote($path, '#'))
                    . '(/.*)?$#D';
                if ($path !== 'id' && preg_grep($form, array_keys($set)) === []) {
                    $missing[] = "{$kind->value}.{$path}";
                }
            }
        }

        self::assertSame([], $missing);
    }

    /** @return list<\Jaunty\Core\Book\BookObject> */
    private static function everyField(): array
    {
        $book = BookFormat::fromJson((string) file_get_contents(__DIR__ . '/../../data/every-field.json'));

        return [$book->tenant, ...$book->objects()];
    }

    /**
     * @param  array<mixed>  $value
     * @return list<string> of every value in it, items by their names
     */
    private static function paths(array $value, string $before = ''): array
    {
        $paths = [];
        foreach ($value as $name => $each) {
            $step = is_array($each) && array_is_list($value) ? ($each['item'] ?? null) : $name;
            if (! is_string($step) && array_is_list($value)) {
                continue;
            }
            $paths[] = "{$before}{$step}";
            array_push($paths, ...(is_array($each) ? self::paths($each, "{$before}{$step}/") : []));
        }

        return $paths;
    }

    /** @param class-string<BookPart> $class */
    private static function declares(string $class): bool
    {
        return (new \ReflectionMethod($class, '__construct'))->getParameters()[0]->getAttributes() !== [];
    }
}
