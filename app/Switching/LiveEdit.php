<?php

declare(strict_types=1);

namespace App\Switching;

/** One change the switch logged: which top-level field of which object, when and by whom. */
final readonly class LiveEdit
{
    public function __construct(
        public string $object,
        public string $field,
        public \DateTimeImmutable $at,
        public string $by,
    ) {
    }
}
