<?php

declare(strict_types=1);

namespace App\Watch;

/** One thing that was looked at. */
final readonly class Check
{
    /** @param array<string, float|int> $figures by name, as metrics tell them */
    public function __construct(
        public string $name,
        public Health $health,
        public string $said,
        public array $figures = [],
    ) {
    }
}
