<?php

declare(strict_types=1);

namespace Jaunty\Core\Places\Readiness;

/** What somebody measured of a site's line, and what they saw there. What they did not is null. */
final readonly class LineMeasured
{
    /**
     * @param  ?int  $down  kbit/s
     * @param  ?int  $up  kbit/s
     * @param  ?float  $roundTrip  milliseconds to the switch and back
     * @param  ?float  $jitter  milliseconds
     * @param  ?float  $loss  packets in a hundred
     * @param  ?bool  $ownNetwork  whether telephones have a network of their own
     * @param  ?bool  $backup  whether telephones and line go on without mains
     * @param  int  $calls  at once, the most that is known otherwise: of call records, or as somebody expects
     */
    public function __construct(
        public ?int $down,
        public ?int $up,
        public ?float $roundTrip,
        public ?float $jitter,
        public ?float $loss,
        public ?bool $ownNetwork,
        public ?bool $backup,
        public Codec $codec,
        public int $packetMs,
        public int $calls,
    ) {
    }
}
