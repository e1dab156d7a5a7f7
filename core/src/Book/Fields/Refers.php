<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Link;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\UnusableBook;

/** An object of one kind. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Refers extends Field
{
    public function __construct(public readonly Kind $to, bool $must = false, ?string $name = null)
    {
        parent::__construct($must, $name);
    }

    public function read(Node $node, string $field): ?Reference
    {
        return $node->reference($field, $this->to)
            ?? ($this->must ? throw UnusableBook::missing($node->path, $field) : null);
    }

    public function write(mixed $value): mixed
    {
        return $value instanceof Reference ? (string) $value : null;
    }

    public function leads(): bool
    {
        return true;
    }

    public function links(string $path, mixed $value): array
    {
        return $value instanceof Reference ? [new Link($path, $value)] : [];
    }

    public function schema(Form $form): array
    {
        return ['type' => 'string', 'pattern' => "^{$this->to->value}:.+$", 'x-kinds' => [$this->to->value]];
    }
}
