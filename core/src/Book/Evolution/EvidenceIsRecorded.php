<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Evolution;

use Jaunty\Core\Book\Kind;

/**
 * From 2 to 3. When an emergency address was checked, and a call for help tried, stood in the book as dates that
 * anybody could type; by now they are records of who did it and what came of it, kept beside the book.
 */
final class EvidenceIsRecorded implements Step
{
    public const FIELDS = ['emergency/checkedOn', 'emergency/testedOn'];

    public function concerns(Kind $kind): bool
    {
        return $kind === Kind::Site;
    }

    public function name(Kind $kind, string $path): ?string
    {
        return in_array($path, self::FIELDS, true) ? null : substr("/{$path}", (int) strrpos("/{$path}", '/') + 1);
    }

    public function value(Kind $kind, string $path, mixed $value): mixed
    {
        return $value;
    }
}
