<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Link;
use Jaunty\Core\Book\Node;

/** A field that is like no other: static methods of its class read it and write it. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Own extends Field implements HasItems
{
    /** @var \Closure(Node, string): mixed */
    private readonly \Closure $read;

    /** @var ?\Closure(mixed): mixed */
    private readonly ?\Closure $write;

    /** @var ?\Closure(string, mixed): list<Link> */
    private readonly ?\Closure $links;

    /**
     * @param  callable(Node, string): mixed  $read  takes the node and the field's name
     * @param  array<string, mixed>  $schema
     * @param  ?callable(mixed): mixed  $write  unset: it is written as it is
     * @param  ?callable(string, mixed): list<Link>  $links  takes the path and the value
     * @param  array<string, Field>  $inside  the fields of each of its items, where it is a list of such
     * @param  bool  $mayBeUnset  in the canonical form
     * @param  bool  $isOpen  whether anything may stand in it
     */
    public function __construct(
        callable $read,
        private readonly array $schema,
        ?callable $write = null,
        ?callable $links = null,
        private readonly array $inside = [],
        private readonly bool $mayBeUnset = false,
        private readonly bool $isOpen = false,
    ) {
        parent::__construct();
        $this->read = $read(...);
        $this->write = $write === null ? null : $write(...);
        $this->links = $links === null ? null : $links(...);
    }

    public function read(Node $node, string $field): mixed
    {
        return ($this->read)($node, $field);
    }

    public function isAlone(): bool
    {
        return false;
    }

    public function write(mixed $value): mixed
    {
        return $this->write === null ? $value : ($this->write)($value);
    }

    public function leads(): bool
    {
        return $this->links !== null;
    }

    public function sends(string $path, mixed $value): array
    {
        $sends = [];
        foreach ($this->inside === [] ? [] : (array) $this->write($value) as $item) {
            if (! is_array($item) || ! is_string($item['item'] ?? null)) {
                continue;
            }
            foreach ($this->inside as $name => $field) {
                $to = $item[$name] ?? null;
                $sends += $field instanceof LeadsTo && is_string($to) ? ["{$path}/{$item['item']}/{$name}" => $to] : [];
            }
        }

        return $sends;
    }

    public function links(string $path, mixed $value): array
    {
        return $this->links === null ? [] : ($this->links)($path, $value);
    }

    public function isPlain(): bool
    {
        return $this->write === null;
    }

    public function mayBeUnset(): bool
    {
        return $this->mayBeUnset;
    }

    public function inside(string $step): ?Field
    {
        return match (true) {
            $this->isOpen => $this,
            $this->inside === [] => null,
            default => new Shape($this->inside),
        };
    }

    public function itemFields(): array
    {
        return $this->inside;
    }

    public function schema(Form $form): array
    {
        return $form === Form::Canonical && $this->inside !== []
            ? ['type' => 'array', 'items' => Schema::ofFields($this->inside, $form)]
            : $this->schema;
    }
}
