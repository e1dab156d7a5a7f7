<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Fields;

/** A part of an object that is read, written and followed as its properties declare (Fields). */
trait DeclaredPart
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

    public function links(string $path): array
    {
        return Fields::of(self::class)->links($this, "{$path}/");
    }

    public static function fields(): array
    {
        return Fields::of(self::class)->named();
    }
}
