<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Evolution;

use Jaunty\Core\Book\Kind;

/**
 * From 1 to 2. A place of a chain that rings not at all was left at once; since design 03, section 12, a book asks for
 * one ring at least, which is the least that can be made of it without losing the place.
 */
final class RingsAtLeastOne implements Step
{
    public function concerns(Kind $kind): bool
    {
        return $kind === Kind::Chain;
    }

    public function name(Kind $kind, string $path): string
    {
        return substr("/{$path}", (int) strrpos("/{$path}", '/') + 1);
    }

    public function value(Kind $kind, string $path, mixed $value): mixed
    {
        return $value === 0 && preg_match('#^places/[^/]+/rings$#D', $path) === 1 ? 1 : $value;
    }
}
