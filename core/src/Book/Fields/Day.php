<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\UnusableBook;

/** A date of the calendar. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final class Day extends Field
{
    /** @param ?string $like another field, whose date stands where this says nothing */
    public function __construct(public readonly ?string $like = null, bool $must = false)
    {
        parent::__construct($must);
    }

    public function read(Node $node, string $field): ?string
    {
        return $node->date($field)
            ?? ($this->like === null ? null : $node->date($this->like))
            ?? ($this->must ? throw UnusableBook::missing($node->path, $field) : null);
    }

    public function isAlone(): bool
    {
        return $this->like === null;
    }

    public function mayBeUnset(): bool
    {
        return ! $this->must && $this->like === null;
    }

    public function schema(Form $form): array
    {
        return ['$ref' => '#/$defs/date'];
    }
}
