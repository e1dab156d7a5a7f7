<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\BookPart;
use Jaunty\Core\Book\Node;

/** An object inside, with a class of its own. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Part extends Field
{
    /**
     * @param  class-string<BookPart>  $class
     * @param  bool  $mayBeUnset  otherwise a book that says nothing of it has one with all its defaults
     */
    public function __construct(
        public readonly string $class,
        public readonly bool $mayBeUnset = false,
        ?string $name = null,
    ) {
        parent::__construct(false, $name);
    }

    public function read(Node $node, string $field): ?BookPart
    {
        return $this->mayBeUnset && $node->isNullOrMissing($field) ? null : ($this->class)::read($node->object($field));
    }

    public function write(mixed $value): mixed
    {
        return $value instanceof BookPart ? $value->toArray() : null;
    }

    public function leads(): bool
    {
        return array_filter(($this->class)::fields(), static fn (Field $field): bool => $field->leads()) !== [];
    }

    public function sends(string $path, mixed $value): array
    {
        return is_object($value) ? Fields::of($this->class)->sends($value, "{$path}/") : [];
    }

    public function links(string $path, mixed $value): array
    {
        return $value instanceof BookPart ? $value->links($path) : [];
    }

    public function mayBeUnset(): bool
    {
        return $this->mayBeUnset;
    }

    public function inside(string $step): ?Field
    {
        return ($this->class)::fields()[$step] ?? null;
    }

    public function schema(Form $form): array
    {
        return ['$ref' => Schema::placeOf($this->class)];
    }

    public function schemaWithNull(Form $form): array
    {
        return $this->mayBeUnset ? ['anyOf' => [$this->schema($form), ['type' => 'null']]] : $this->schema($form);
    }
}
