<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\UnusableBook;

/** A template as read: its slots, the tenant's fields and the objects it makes, each with an origin that names it for ever. */
final readonly class Template
{
    public const FORMAT = 'jaunty-roster/template';

    /**
     * @param  list<Slot>  $slots
     * @param  array<string, mixed>  $tenant  fields of the tenant, with slots in place of values
     * @param  list<array{kind: Kind, origin: string, fields: array<string, mixed>}>  $objects
     */
    private function __construct(
        public string $key,
        public string $name,
        public string $about,
        public array $slots,
        public array $tenant,
        public array $objects,
    ) {
    }

    /** @throws UnusableTemplate naming the first fault */
    public static function fromJson(string $json): self
    {
        try {
            return self::read(Node::of(json_decode($json, true, 32, JSON_THROW_ON_ERROR)));
        } catch (\JsonException | UnusableBook $fault) {
            throw UnusableTemplate::broken('template', $fault);
        }
    }

    private static function read(Node $node): self
    {
        $node->allow('format', 'version', 'key', 'name', 'about', 'slots', 'tenant', 'objects');
        if ($node->text('format') !== self::FORMAT) {
            throw UnusableBook::notOneOf('format', $node->text('format'), [self::FORMAT]);
        }
        $node->whole('version', 0, 1, 1);

        return new self(
            key: $node->slug('key'),
            name: $node->text('name'),
            about: $node->text('about', ''),
            slots: array_map(Slot::read(...), $node->nodes('slots')),
            tenant: self::fields($node, 'tenant'),
            objects: array_map(self::readObject(...), $node->nodes('objects')),
        );
    }

    /** @return array{kind: Kind, origin: string, fields: array<string, mixed>} */
    private static function readObject(Node $node): array
    {
        $node->allow('origin', 'kind', 'fields');

        return [
            'kind' => $node->choice('kind', Kind::class, Kind::Site),
            'origin' => $node->slug('origin'),
            'fields' => self::fields($node, 'fields'),
        ];
    }

    /** @return array<string, mixed> */
    private static function fields(Node $node, string $field): array
    {
        $inner = $node->object($field);
        $fields = [];
        foreach ($inner->fields() as $name) {
            $fields[$name] = $inner->any($name);
        }

        return $fields;
    }
}
