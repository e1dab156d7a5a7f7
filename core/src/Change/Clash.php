<?php

declare(strict_types=1);

namespace Jaunty\Core\Change;

use Jaunty\Core\Book\Reference;

/** A change of ours and a change of theirs that cannot both stand: shown to a person to decide. */
final readonly class Clash
{
    /** @param ?string $path the field, or null where the whole object clashes (one side deleted or created it) */
    public function __construct(
        public Reference $object,
        public ?string $path,
        public mixed $base,
        public mixed $ours,
        public mixed $theirs,
    ) {
    }
}
