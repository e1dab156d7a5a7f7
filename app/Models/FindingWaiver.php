<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A finding that is accepted, with a reason and until a day.
 *
 * @property string $tenant_id
 * @property string $id
 * @property string $fingerprint
 * @property string $state
 * @property string $rule
 * @property string $reason
 * @property ?string $until a date
 * @property string $technician_id
 * @property \Carbon\CarbonImmutable $made_at
 * @property ?\Carbon\CarbonImmutable $ended_at
 * @property-read Technician $technician
 */
final class FindingWaiver extends Row
{
    protected $table = 'finding_waivers';

    /** @return BelongsTo<Technician, $this> */
    public function technician(): BelongsTo
    {
        return $this->belongsTo(Technician::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['made_at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime'];
    }
}
