<?php

declare(strict_types=1);

namespace Jaunty\Core\Places\Readiness;

/** One figure of a line against what it may be. */
final readonly class Held
{
    /**
     * @param  'down'|'up'|'roundTrip'|'jitter'|'loss'  $what  kbit/s, milliseconds, packets in a hundred
     * @param  ?float  $is  as it was measured; null where it was not
     * @param  float  $limit  the least of a bandwidth, the most of anything else
     */
    public function __construct(public string $what, public ?float $is, public float $limit)
    {
    }

    /** Null where nobody measured. */
    public function passes(): ?bool
    {
        return match (true) {
            $this->is === null => null,
            $this->what === 'down', $this->what === 'up' => $this->is >= $this->limit,
            default => $this->is <= $this->limit,
        };
    }
}
