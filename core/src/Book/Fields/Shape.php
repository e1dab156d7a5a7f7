<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Node;

/** An object inside whose fields stand in an array by name. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Shape extends Field
{
    /** @param non-empty-array<string, Field> $fields */
    public function __construct(public readonly array $fields, public readonly bool $mayBeUnset = false)
    {
        parent::__construct();
    }

    /** @return ?array<string, mixed> */
    public function read(Node $node, string $field): ?array
    {
        return $this->mayBeUnset && $node->isNullOrMissing($field) ? null : $this->values($node->object($field));
    }

    /** @return array<string, mixed> of an object that stands there */
    public function values(Node $node): array
    {
        $node->allowNamed($this->fields);
        $values = [];
        foreach ($this->fields as $name => $field) {
            $values[$name] = $field->read($node, $name);
        }

        return $values;
    }

    public function write(mixed $value): mixed
    {
        if (! is_array($value)) {
            return null;
        }
        $written = [];
        foreach ($this->fields as $name => $field) {
            $written[$name] = $field->write($value[$name]);
        }

        return $written;
    }

    public function leads(): bool
    {
        return array_filter($this->fields, static fn (Field $field): bool => $field->leads()) !== [];
    }

    public function sends(string $path, mixed $value): array
    {
        if (! is_array($value)) {
            return [];
        }
        $sends = [];
        foreach ($this->fields as $name => $field) {
            $sends += $field->sends("{$path}/{$name}", $value[$name] ?? null);
        }

        return $sends;
    }

    public function links(string $path, mixed $value): array
    {
        if (! is_array($value)) {
            return [];
        }
        $links = [];
        foreach ($this->fields as $name => $field) {
            array_push($links, ...$field->links("{$path}/{$name}", $value[$name] ?? null));
        }

        return $links;
    }

    public function mayBeUnset(): bool
    {
        return $this->mayBeUnset;
    }

    public function isPlain(): bool
    {
        return array_filter($this->fields, static fn (Field $field): bool => ! $field->isPlain()) === [];
    }

    public function say(Said $said): void
    {
        parent::say($said);
        foreach ($this->fields as $name => $field) {
            $field->say(new Said($said->inside[$name] ?? null, in: $said->units[$name] ?? null));
        }
    }

    public function inside(string $step): ?Field
    {
        return $this->fields[$step] ?? null;
    }

    public function schema(Form $form): array
    {
        return Schema::ofFields($this->fields, $form);
    }

    public function schemaWithNull(Form $form): array
    {
        return $this->mayBeUnset ? ['anyOf' => [$this->schema($form), ['type' => 'null']]] : $this->schema($form);
    }
}
