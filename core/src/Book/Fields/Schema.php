<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\BookPart;
use Jaunty\Core\Book\Destination;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Node;

/** JSON Schema 2020-12 of the tenant book, from what its classes declare. */
final class Schema
{
    private const DIALECT = 'https://json-schema.org/draft/2020-12/schema';

    private const ABOUT = 'One customer\'s configuration. Left out or null means the default. What one object says of '
        . 'another (references that lead '
        . 'somewhere, keys and items used once, what a condition allows) is checked by `bin/roster check`, not here.';

    /** @return array<string, mixed> of a file somebody wrote */
    public static function ofFile(): array
    {
        $lists = [];
        foreach (Kind::listed() as $kind) {
            $lists[$kind->field()] = ['type' => ['array', 'null'], 'items' => ['$ref' => "#/\$defs/{$kind->value}"]];
        }

        return [
            '$schema' => self::DIALECT,
            '$id' => 'https://jaunty-roster.example/schemas/tenant-book/' . BookFormat::VERSION,
            'title' => 'Tenant book',
            'description' => self::ABOUT,
            'type' => 'object',
            'required' => ['format', 'version', 'tenant'],
            'properties' => [
                'format' => ['const' => BookFormat::FORMAT],
                'version' => ['enum' => range(1, BookFormat::VERSION)],
                'tenant' => ['$ref' => '#/$defs/tenant'],
            ]
                + $lists,
            'additionalProperties' => false,
            '$defs' => self::definitions(Form::File),
        ];
    }

    /** @return array<string, mixed> of the objects the product writes, a definition for each kind */
    public static function ofObjects(): array
    {
        return [
            '$schema' => self::DIALECT,
            'title' => 'Objects of a tenant book',
            'description' => 'In canonical form: every field stands, with its default where a book says nothing.',
            '$defs' => self::definitions(Form::Canonical),
        ];
    }

    /**
     * @internal
     *
     * @param  array<string, Field>  $fields  by name
     * @return array<string, mixed>
     */
    public static function ofFields(array $fields, Form $form): array
    {
        $properties = [];
        $must = [];
        foreach ($fields as $name => $field) {
            if ($form === Form::Canonical && $field instanceof Id) {
                continue;
            }
            $isOpen = $form === Form::File ? ! $field->must : $field->mayBeUnset();
            $properties[$name] = ['title' => $field->said->title ?? self::spelt($name)]
                + ($isOpen ? $field->schemaWithNull($form) : $field->schema($form))
                + self::about($field);
            if ($form === Form::Canonical || $field->must) {
                $must[] = $name;
            }
        }

        return ['type' => 'object', 'properties' => $properties, 'additionalProperties' => false]
            + ($must === [] ? [] : ['required' => $must]);
    }

    /**
     * @internal
     *
     * @param  class-string<BookPart>  $part
     */
    public static function placeOf(string $part): string
    {
        return '#/$defs/' . self::nameOf($part);
    }

    /** `ringsEach` as people write it, to head a form. */
    public static function spelt(string $name): string
    {
        return ucfirst(strtolower((string) preg_replace('/(?<=.)[A-Z]/', ' $0', $name)));
    }

    /**
     * @internal
     *
     * @param  list<string>  $words
     * @return array<string, string> each as people write it
     */
    public static function spelled(array $words): array
    {
        return array_combine(
            $words,
            array_map(static fn (string $word): string => lcfirst(self::spelt($word)), $words),
        );
    }

    /** @return array<string, mixed> */
    private static function definitions(Form $form): array
    {
        $definitions = self::plain();
        $parts = [];
        foreach (Kind::cases() as $kind) {
            $fields = Fields::of($kind->class())->named();
            $definitions[$kind->value] = self::ofFields($fields, $form);
            $parts += self::partsIn($fields);
        }
        ksort($parts);
        foreach ($parts as $name => $part) {
            $definitions[$name] = self::ofFields($part::fields(), $form);
        }

        return $definitions;
    }

    /**
     * @param  array<string, Field>  $fields
     * @return array<string, class-string<BookPart>> by the name of their definition
     */
    private static function partsIn(array $fields): array
    {
        $parts = [];
        foreach ($fields as $field) {
            if ($field instanceof Shape) {
                $parts += self::partsIn($field->fields);
            } elseif ($field instanceof Part || $field instanceof Items) {
                $parts[self::nameOf($field->class)] = $field->class;
                $parts += self::partsIn(($field->class)::fields());
            }
        }

        return $parts;
    }

    /** @param class-string $class */
    private static function nameOf(string $class): string
    {
        return lcfirst(substr($class, (int) strrpos($class, '\\') + 1));
    }

    /** @return array<string, mixed> */
    private static function about(Field $field): array
    {
        return array_filter([
            'description' => $field->said->help,
            'x-unit' => $field->said->in?->value,
            'x-unset' => $field->said->unset,
            'x-begins' => $field instanceof HasItems && $field->itemFields() !== []
                ? (object) self::beginningOf($field)
                : null,
            'x-secret' => $field->isSecret ? true : null,
            'x-beside' => $field->isBeside ? true : null,
        ], static fn (mixed $each): bool => $each !== null);
    }

    /** @return array<string, mixed> */
    private static function beginningOf(Field&HasItems $list): array
    {
        if ($list->itemBegins !== []) {
            return $list->itemBegins;
        }
        if ($list instanceof Items) {
            foreach ((new \ReflectionClass($list->class))->getAttributes(Begins::class) as $begins) {
                return $begins->newInstance()->with;
            }
        }
        $must = array_filter(
            $list->itemFields(),
            static fn (Field $field, string $name): bool => $field->must && $name !== 'item',
            ARRAY_FILTER_USE_BOTH,
        );

        return array_map(static fn (Field $field): mixed => $field->begins(), $must);
    }

    /** @return array<string, array<string, mixed>> what several fields are */
    private static function plain(): array
    {
        $takers = array_map(
            static fn (Kind $kind): string => $kind->value,
            array_filter(Kind::cases(), static fn (Kind $kind): bool => $kind->takesCalls()),
        );
        $destination = ['$ref' => '#/$defs/destination'];

        return [
            'slug' => ['type' => 'string', 'pattern' => '^[a-z0-9][a-z0-9.-]*$'],
            'uuid' => ['type' => 'string', 'pattern' => '^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$'],
            'text' => ['type' => 'string', 'maxLength' => Node::MOST_TEXT],
            'date' => ['type' => 'string', 'pattern' => '^[0-9]{4}-[0-9]{2}-[0-9]{2}$', 'description' => '2026-12-25'],
            'clock' => [
                'type' => 'string',
                'pattern' => '^([01][0-9]|2[0-3]):[0-5][0-9]$|^24:00$',
                'description' => '24:00 only as an end',
            ],
            'zone' => ['type' => 'string', 'description' => 'a name of the IANA time zone database'],
            'e164' => ['type' => 'string', 'pattern' => '^\\+[1-9][0-9]{5,14}$'],
            'extension' => ['type' => 'string', 'pattern' => '^[0-9]{1,15}$'],
            'destination' => [
                'type' => 'string',
                'pattern' => '^('
                    . implode('|', array_keys(Destination::WORDS))
                    . '|outside:\\+[0-9]+|('
                    . implode('|', $takers)
                    . '):.+)$',
                'description' => 'an object that takes calls, an outside number, or a word; unset: nowhere',
                'x-kinds' => array_values($takers),
                'x-destination' => true,
                'x-words' => Destination::WORDS,
            ],
            'treatment' => [
                'anyOf' => [
                    $destination,
                    [
                        'type' => 'object',
                        'properties' => array_fill_keys(['outside', 'inside'], [
                            'anyOf' => [$destination, ['type' => 'null']],
                        ]),
                        'additionalProperties' => false,
                    ],
                ],
            ],
        ];
    }
}
