<?php

declare(strict_types=1);

namespace Jaunty\Core\Places\Readiness;

/** What a line may be at most, and how much of it calls may take. */
final readonly class LineLimits
{
    /**
     * @param  int  $share  of a line that calls may take, in a hundred
     * @param  int  $roundTrip  milliseconds
     * @param  int  $jitter  milliseconds
     * @param  int  $loss  packets in a thousand
     */
    public function __construct(public int $share, public int $roundTrip, public int $jitter, public int $loss)
    {
    }
}
