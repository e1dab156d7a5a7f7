<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Evolution;

use Jaunty\Core\Book\Kind;

/**
 * What became of the format from one version to the next: fields that are called otherwise, and values that are written
 * otherwise. New fields need no step, they are missing and have their default.
 */
interface Step
{
    /** Whether anything became of this kind: objects of all others pass without being walked. */
    public function concerns(Kind $kind): bool;

    /**
     * @param  string  $path  as the older version has it, items of a list by their `item`
     * @return ?string its last step as the newer version has it; null where it is no field any more
     */
    public function name(Kind $kind, string $path): ?string;

    /**
     * @param  string  $path  likewise, in the older version
     * @param  mixed  $value  no list and no object
     */
    public function value(Kind $kind, string $path, mixed $value): mixed;
}
