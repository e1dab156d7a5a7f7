<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Book\Site;
use Jaunty\Core\Places\Readiness\Codec;
use Jaunty\Core\Places\Readiness\LineMeasured;

/** A site's line, as it was last measured. */
final readonly class LineSeen
{
    /**
     * @param  string  $site  its id, or its key where it has none
     * @param  string  $on  a date
     * @param  array{down: ?int, up: ?int, roundTrip: int|float|null, jitter: int|float|null, loss: int|float|null,
     *     ownNetwork: ?bool, backup: ?bool, codec: string, packetMs: int, calls: int}  $measured  in the units of
     *     LineMeasured
     */
    public function __construct(public string $site, public string $on, private array $measured)
    {
    }

    public function isOf(Site $site): bool
    {
        return $this->site === ($site->id ?? $site->key);
    }

    public function measured(): LineMeasured
    {
        return new LineMeasured(...['codec' => Codec::from($this->measured['codec'])] + $this->measured);
    }
}
