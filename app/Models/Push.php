<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property string $tenant_id
 * @property string $id
 * @property string $technician_id
 * @property int $revision the one it brings live to
 * @property ?list<array{object: string, field: ?string}> $scope unset: the whole book
 * @property PushStatus $status
 * @property ?string $reason
 * @property \Carbon\CarbonImmutable $requested_at
 * @property ?\Carbon\CarbonImmutable $ended_at
 * @property ?\Carbon\CarbonImmutable $lease_until
 * @property int $attempts to read the switch before there was a run sheet
 * @property-read Technician $technician
 */
final class Push extends Row
{
    protected $table = 'pushes';

    /** @return BelongsTo<Technician, $this> */
    public function technician(): BelongsTo
    {
        return $this->belongsTo(Technician::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'scope' => 'array',
            'status' => PushStatus::class,
            'requested_at' => 'immutable_datetime',
            'ended_at' => 'immutable_datetime',
            'lease_until' => 'immutable_datetime',
        ];
    }
}
