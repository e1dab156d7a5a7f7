<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Link;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\UnusableBook;

/** An object of one of several kinds. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class PointsAt extends Field
{
    /** @param non-empty-list<Kind> $kinds */
    public function __construct(public readonly array $kinds, ?string $name = null)
    {
        parent::__construct(false, $name);
    }

    public function read(Node $node, string $field): ?Reference
    {
        $text = $node->textOrNull($field);
        if ($text === null) {
            return null;
        }
        $reference = Reference::parse($text, $node->at($field));

        return in_array($reference->kind, $this->kinds, true) ? $reference : throw UnusableBook::malformed(
            $node->at($field),
            'one of ' . implode(', ', $this->names()),
            $text,
        );
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
        return [
            'type' => 'string', 'pattern' => '^(' . implode('|', $this->names()) . '):.+$', 'x-kinds' => $this->names(),
        ];
    }

    /** @return list<string> */
    private function names(): array
    {
        return array_map(static fn (Kind $kind): string => $kind->value, $this->kinds);
    }
}
