<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Destination;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Link;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\UnusableBook;

/** Where a call is sent. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class LeadsTo extends Field
{
    /**
     * @param  ?string  $default  where the field is missing; set to null it is unset all the same
     * @param  list<Kind>  $only  of objects; empty: every kind that takes calls, and the words
     */
    public function __construct(
        public readonly ?string $default = null,
        bool $must = false,
        ?string $name = null,
        public readonly array $only = [],
    ) {
        parent::__construct($must, $name);
    }

    public function read(Node $node, string $field): ?Destination
    {
        if ($this->default !== null && ! $node->has($field)) {
            return Destination::parse($this->default, $field);
        }

        return $node->destination($field) ?? ($this->must ? throw UnusableBook::missing($node->path, $field) : null);
    }

    public function isAlone(): bool
    {
        return $this->default === null;
    }

    public function write(mixed $value): mixed
    {
        return $value instanceof Destination ? (string) $value : null;
    }

    public function leads(): bool
    {
        return true;
    }

    public function sends(string $path, mixed $value): array
    {
        return $value instanceof Destination ? [$path => (string) $value] : [];
    }

    public function links(string $path, mixed $value): array
    {
        return $value instanceof Destination && $value->object !== null ? [new Link($path, $value->object)] : [];
    }

    public function schema(Form $form): array
    {
        if ($this->only !== []) {
            $kinds = array_map(static fn (Kind $kind): string => $kind->value, $this->only);

            return [
                'type' => 'string', 'pattern' => '^((' . implode('|', $kinds) . '):.+|outside:\\+[0-9]+)$',
                'x-kinds' => $kinds, 'x-destination' => true,
            ];
        }

        return ['$ref' => '#/$defs/destination'] + ($this->default === null ? [] : ['default' => $this->default]);
    }
}
