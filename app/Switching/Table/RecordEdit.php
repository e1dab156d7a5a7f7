<?php

declare(strict_types=1);

namespace App\Switching\Table;

/** One change that a switch logged, in its own words. */
final readonly class RecordEdit
{
    public function __construct(
        public string $record,
        public string $field,
        public \DateTimeImmutable $at,
        public string $by,
    ) {
    }
}
