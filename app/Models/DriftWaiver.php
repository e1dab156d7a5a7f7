<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property string $tenant_id
 * @property string $id
 * @property string $object
 * @property ?string $path
 * @property mixed $live
 * @property string $reason
 * @property ?string $until a date
 * @property string $technician_id
 * @property \Carbon\CarbonImmutable $made_at
 * @property ?\Carbon\CarbonImmutable $ended_at
 * @property-read Technician $technician
 */
final class DriftWaiver extends Row
{
    protected $table = 'drift_waivers';

    /** @return BelongsTo<Technician, $this> */
    public function technician(): BelongsTo
    {
        return $this->belongsTo(Technician::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['live' => 'json', 'made_at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime'];
    }
}
