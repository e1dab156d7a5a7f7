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
            $values[$name] = $node->isNullOrMissing($name) ? null : $this->field->read($node, $name);
        }

        return $values;
    }

    public function isAlone(): bool
    {
        return false;
    }

    /** @return array<string, mixed> */
    public function write(mixed $value): array
    {
        $written = [];
        foreach ($this->names as $name) {
            $each = is_array($value) ? $value[$name] : null;
            $written[$name] = $each === null ? null : $this->field->write($each);
        }

        return $written;
    }

    public function leads(): bool
    {
        return $this->field->leads();
    }

    public function sends(string $path, mixed $value): array
    {
        $sends = [];
        foreach (is_array($value) ? $value : [] as $name => $each) {
            $sends += $each === null ? [] : $this->field->sends("{$path}{$name}", $each);
        }

        return $sends;
    }

    public function links(string $path, mixed $value): array
    {
        $links = [];
        foreach (is_array($value) ? $value : [] as $name => $each) {
            foreach ($each === null ? [] : $this->field->links("{$path}{$name}", $each) as $link) {
                $links[] = $link;
            }
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
