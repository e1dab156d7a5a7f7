<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Link;
use Jaunty\Core\Book\Node;

/**
 * What one field of a book is: how it is read, written, described, and what it leads to. Stands as an attribute at the
 * property of the class that holds it (`Fields::of` gathers them), or inside a `Shape`.
 */
abstract class Field
{
    public Said $said;

    public bool $isSecret = false;

    /** @var ?list<string> left to the customer: itself, or of its fields those named; null: it is not */
    public ?array $left = null;

    public bool $isBeside = false;

    /** @var array<string, mixed> with what a new item of a list begins */
    public array $itemBegins = [];

    /**
     * @param  bool  $must  whether a book has to say it
     * @param  ?string  $name  in the book, where it is not the property's; `handling/open` stands in an object
     *     `handling`
     */
    public function __construct(public readonly bool $must = false, public readonly ?string $name = null)
    {
        $this->said = new Said();
    }

    /** @throws \Jaunty\Core\Book\UnusableBook naming the path */
    abstract public function read(Node $node, string $field): mixed;

    /**
     * Whether what it reads where nothing is set is always the same, whatever stands beside it, and null is as good as
     * nothing.
     */
    public function isAlone(): bool
    {
        return true;
    }

    /** As the canonical form has it. */
    public function write(mixed $value): mixed
    {
        return $value;
    }

    /** Whether a book has it just as the class has it. */
    public function isPlain(): bool
    {
        return (new \ReflectionMethod($this, 'write'))->class === self::class;
    }

    /** Whether it can lead to another object at all. */
    public function leads(): bool
    {
        return false;
    }

    /** @return list<Link> */
    public function links(string $path, mixed $value): array
    {
        return [];
    }

    /**
     * What it holds at first in an item that somebody adds by hand, where it has to be said and has no default; null:
     * unknown.
     */
    public function begins(): mixed
    {
        return null;
    }

    /** @return array<string, string> where it sends calls, as a book writes it, by path */
    public function sends(string $path, mixed $value): array
    {
        return [];
    }

    /** Whether it may be null in the canonical form. */
    public function mayBeUnset(): bool
    {
        return ! $this->must;
    }

    /** What the next step of a path leads to; null where it leads nowhere. */
    public function inside(string $step): ?self
    {
        return null;
    }

    /** @return array<string, mixed> JSON Schema 2020-12 of the field where it is set */
    abstract public function schema(Form $form): array;

    /** @return array<string, mixed> the same where it may be null */
    public function schemaWithNull(Form $form): array
    {
        $schema = $this->schema($form);
        if (isset($schema['enum']) && is_array($schema['enum'])) {
            $schema['enum'][] = null;
        } elseif (isset($schema['anyOf']) && is_array($schema['anyOf'])) {
            $schema['anyOf'][] = ['type' => 'null'];
        } elseif (isset($schema['$ref'])) {
            $schema = ['anyOf' => [$schema, ['type' => 'null']]];
        } elseif (isset($schema['type'])) {
            $schema['type'] = [...(array) $schema['type'], 'null'];
        }

        return $schema;
    }

    public function say(Said $said): void
    {
        $this->said = $said;
    }
}
