<?php

declare(strict_types=1);

namespace Jaunty\Core\Change;

/** One field that two forms of an object do not agree on. */
final readonly class FieldDifference
{
    /**
     * @param ?string $behind of an item that comes or goes: the key of the item it stands behind, empty for the first
     */
    public function __construct(
        public string $path,
        public mixed $before,
        public mixed $after,
        public ?string $behind = null,
    ) {
    }
}
