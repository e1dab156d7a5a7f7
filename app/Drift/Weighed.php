<?php

declare(strict_types=1);

namespace App\Drift;

use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;

/** What callers notice of what the switch held when it was last read, instead of the book. */
final readonly class Weighed
{
    /**
     * @param  Inspection  $beside  of the book with live beside it
     * @param  list<Finding>  $brings  found on the switch and not in the book
     */
    public function __construct(
        public \DateTimeImmutable $readAt,
        public Comparison $compared,
        public Inspection $beside,
        public array $brings,
    ) {
    }
}
