<?php

declare(strict_types=1);

namespace Jaunty\Core\Templates;

use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\UnusableBook;

/** A template as read (docs/template.schema.json): its slots, the tenant's fields, and what it makes. */
final readonly class Template
{
    public const FORMAT = 'jaunty-roster/template';

    /**
     * @param  list<Slot>  $slots
     * @param  array<string, mixed>  $tenant  fields of the tenant, with forms of `Filling` in place of values
     * @param  list<MadeObject|Repetition>  $objects
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
            return self::read(Node::of(json_decode($json, true, 64, JSON_THROW_ON_ERROR)));
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
            tenant: $node->object('tenant')->bare(),
            objects: self::readObjects($node),
        );
    }

    /** @return list<MadeObject|Repetition> */
    private static function readObjects(Node $node): array
    {
        return array_map(static function (Node $inner): MadeObject|Repetition {
            $when = $inner->isNullOrMissing('when') ? null : Condition::read($inner->any('when'), $inner->at('when'));
            if ($inner->has('each')) {
                $inner->allow('each', 'as', 'where', 'when', 'objects');

                return new Repetition(
                    array_intersect_key($inner->bare(), ['each' => true, 'as' => true, 'where' => true]),
                    self::readObjects($inner),
                    $when,
                );
            }
            $inner->allow('origin', 'kind', 'when', 'fields');

            return new MadeObject(
                $inner->choice('kind', Kind::class, Kind::Site),
                $inner->slug('origin'),
                $inner->object('fields')->bare(),
                $when,
            );
        }, $node->nodes('objects'));
    }
}
