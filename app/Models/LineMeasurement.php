<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Jaunty\Core\Audit\LineSeen;

/**
 * What was measured of a site's line.
 *
 * @property string $tenant_id
 * @property string $id
 * @property string $site_id
 * @property \Carbon\CarbonImmutable $measured_at
 * @property array{down: ?int, up: ?int, roundTrip: int|float|null, jitter: int|float|null, loss: int|float|null,
 *     ownNetwork: ?bool, backup: ?bool, codec: string, packetMs: int, calls: int} $measured
 * @property ?int $said calls at once
 * @property ?int $busiest calls at once
 * @property string $note
 * @property Technician $technician
 * @property \Carbon\CarbonImmutable $made_at
 */
final class LineMeasurement extends Row
{
    protected $table = 'line_measurements';

    public function seen(): LineSeen
    {
        return new LineSeen($this->site_id, $this->measured_at->format('Y-m-d'), $this->measured);
    }

    /** @return BelongsTo<Technician, $this> */
    public function technician(): BelongsTo
    {
        return $this->belongsTo(Technician::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['measured' => 'array', 'measured_at' => 'immutable_datetime', 'made_at' => 'immutable_datetime'];
    }
}
