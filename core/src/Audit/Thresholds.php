<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Places\Readiness\LineLimits;

/** What each threshold is for one customer. */
final readonly class Thresholds
{
    /** @param array<string, int> $set by name; the others are as they are where nobody sets them */
    public function __construct(private array $set = [])
    {
    }

    public function of(Threshold $threshold): int
    {
        return $this->set[$threshold->value] ?? $threshold->standard();
    }

    /** @param array<string, int> $set for one customer, over what is set for all */
    public function with(array $set): self
    {
        return new self($set + $this->set);
    }

    public function lineLimits(): LineLimits
    {
        return new LineLimits(
            $this->of(Threshold::LineShare),
            $this->of(Threshold::LongestRoundTripMs),
            $this->of(Threshold::MostJitterMs),
            $this->of(Threshold::MostLossPermille),
        );
    }
}
