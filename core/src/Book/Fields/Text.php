<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Node;

#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Text extends Field
{
    /** @param ?string $like another field, whose text stands where this says nothing */
    public function __construct(
        public readonly ?string $default = null,
        public readonly ?string $like = null,
        bool $must = false,
        ?string $name = null,
    ) {
        parent::__construct($must, $name);
    }

    public function read(Node $node, string $field): ?string
    {
        return $this->must || $this->default !== null || $this->like !== null
            ? $node->text($field, $this->like === null ? $this->default : $node->text($this->like))
            : $node->textOrNull($field);
    }

    public function isAlone(): bool
    {
        return $this->like === null;
    }

    public function mayBeUnset(): bool
    {
        return ! $this->must && $this->default === null && $this->like === null;
    }

    public function schema(Form $form): array
    {
        return $this->must
            ? ['$ref' => '#/$defs/text']
            : ['type' => 'string', 'maxLength' => Node::MOST_TEXT]
            + ($this->default === null ? [] : ['default' => $this->default]);
    }
}
