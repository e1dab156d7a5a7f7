<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Fields;

/** An object of a book that is read, written and followed as its properties declare (Fields). */
trait Declared
{
    public static function read(Node $node): self
    {
        // Each field reads what its property takes; FieldsTest holds them against each other.
        return new self(...Fields::of(self::class)->read($node)); // @phpstan-ignore argument.type
    }

    public function toArray(): array
    {
        return Fields::of(self::class)->write($this);
    }

    public function links(): array
    {
        return Fields::of(self::class)->links($this, '');
    }
}
