<?php

declare(strict_types=1);

namespace Jaunty\Core\CallRecords;

/** How often somebody's phones rang, and how often they took the call. */
final readonly class RungTally
{
    /** @param ?int $lastAnswered seconds since 1970 */
    public function __construct(public int $rang, public int $answered, public ?int $lastAnswered)
    {
    }
}
