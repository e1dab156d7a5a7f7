<?php

declare(strict_types=1);

namespace App\Places;

use App\Models\LineMeasurement;
use Jaunty\Core\Places\Readiness\LineLimits;
use Jaunty\Core\Places\Readiness\Readiness;

/** The line of a place as it was last measured, held against what is there now. */
final readonly class LineView
{
    /** @param int $ringing people there whom one call rings */
    public function __construct(
        public ?LineMeasurement $measurement,
        public int $ringing,
        private LineLimits $limits,
    ) {
    }

    /** Null where nobody measured. */
    public function readiness(): ?Readiness
    {
        return $this->measurement === null
            ? null
            : Readiness::of($this->measurement->seen()->measured(), $this->ringing, $this->limits);
    }
}
