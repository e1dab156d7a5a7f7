<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Link;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Reference;

/** A list of objects, of one kind or of any. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class RefersToMany extends Field
{
    public function __construct(public readonly ?Kind $to = null)
    {
        parent::__construct();
    }

    /** @return list<Reference> */
    public function read(Node $node, string $field): array
    {
        return $this->to === null
            ? array_map(
                static fn (string $text): Reference => Reference::parse($text, $node->at($field)),
                $node->texts($field),
            )
            : $node->references($field, $this->to);
    }

    public function write(mixed $value): mixed
    {
        $written = [];
        foreach (is_array($value) ? $value : [] as $to) {
            if ($to instanceof Reference) {
                $written[] = (string) $to;
            }
        }

        return $written;
    }

    public function leads(): bool
    {
        return true;
    }

    public function links(string $path, mixed $value): array
    {
        $links = [];
        foreach (is_array($value) ? $value : [] as $index => $to) {
            if ($to instanceof Reference) {
                $links[] = new Link("{$path}/{$index}", $to);
            }
        }

        return $links;
    }

    public function mayBeUnset(): bool
    {
        return false;
    }

    public function schema(Form $form): array
    {
        return ['type' => 'array', 'items' => ['type' => 'string'] + (
            $this->to === null ? [] : ['pattern' => "^{$this->to->value}:.+$", 'x-kinds' => [$this->to->value]]
        )];
    }
}
