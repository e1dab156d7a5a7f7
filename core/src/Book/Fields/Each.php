<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Node;

/** Several fields of one type, side by side in the book, by name in one array of the class. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Each extends Field
{
    /** @param non-empty-list<string> $names */
    public function __construct(public readonly array $names, public readonly Field $field)
    {
        parent::__construct();
    }

    /** @return array<string, mixed> */
    public function read(Node $node, string $field): array
    {
        $values = [];
        foreach ($this->names as $name) {
            $values[$name] = $this->field->read($node, $name);
        }

        return $values;
    }

    /** @return array<string, mixed> */
    public function write(mixed $value): array
    {
        $written = [];
        foreach ($this->names as $name) {
            $written[$name] = $this->field->write(is_array($value) ? $value[$name] : null);
        }

        return $written;
    }

    public function links(string $path, mixed $value): array
    {
        $links = [];
        foreach (is_array($value) ? $value : [] as $name => $each) {
            array_push($links, ...$this->field->links("{$path}{$name}", $each));
        }

        return $links;
    }

    public function inside(string $step): ?Field
    {
        return in_array($step, $this->names, true) ? $this->field : null;
    }

    public function schema(Form $form): array
    {
        return $this->field->schema($form);
    }
}
