<?php

declare(strict_types=1);

namespace App\Places;

use Jaunty\Core\Places\Readiness\Codec;

/** What somebody measured of a site's line; null where they did not. */
final readonly class LineGiven
{
    /**
     * @param  string  $at  `2026-12-01T14:05`, by the clock of the site
     * @param  ?float  $down  Mbit/s
     * @param  ?float  $up  Mbit/s
     * @param  ?float  $roundTrip  milliseconds
     * @param  ?float  $jitter  milliseconds
     * @param  ?float  $loss  packets in a hundred
     * @param  ?int  $calls  at once, as they expect
     */
    public function __construct(
        public string $at,
        public ?float $down,
        public ?float $up,
        public ?float $roundTrip,
        public ?float $jitter,
        public ?float $loss,
        public ?bool $ownNetwork,
        public ?bool $backup,
        public Codec $codec,
        public int $packetMs,
        public ?int $calls,
        public string $note,
    ) {
    }

    public function isNothing(): bool
    {
        return [$this->down, $this->up, $this->roundTrip, $this->jitter, $this->loss, $this->ownNetwork, $this->backup]
            === [null, null, null, null, null, null, null];
    }
}
