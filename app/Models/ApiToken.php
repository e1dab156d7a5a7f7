<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Lets a program act for a technician, up to a scope.
 *
 * @property string $id
 * @property string $technician_id
 * @property string $name
 * @property string $hash
 * @property string $scope
 * @property \Carbon\CarbonImmutable $made_at
 * @property ?\Carbon\CarbonImmutable $until
 * @property ?\Carbon\CarbonImmutable $last_used_at
 * @property Technician $technician
 */
final class ApiToken extends Row
{
    protected $table = 'api_tokens';

    protected $hidden = ['hash'];

    /** @return BelongsTo<Technician, $this> */
    public function technician(): BelongsTo
    {
        return $this->belongsTo(Technician::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'made_at' => 'immutable_datetime',
            'until' => 'immutable_datetime',
            'last_used_at' => 'immutable_datetime',
        ];
    }
}
