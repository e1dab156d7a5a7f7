<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property string $tenant_id
 * @property string $object_id
 * @property string $field
 * @property string $ciphertext
 * @property string $strength
 * @property \Carbon\CarbonImmutable $changed_on
 * @property ?\Carbon\CarbonImmutable $revealed_at
 * @property ?\Carbon\CarbonImmutable $sent_at
 * @property-read Technician $technician
 */
final class Secret extends Row
{
    protected $table = 'secrets';

    protected $hidden = ['ciphertext'];

    /** @return BelongsTo<Technician, $this> */
    public function technician(): BelongsTo
    {
        return $this->belongsTo(Technician::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'changed_on' => 'immutable_datetime',
            'revealed_at' => 'immutable_datetime',
            'sent_at' => 'immutable_datetime',
        ];
    }
}
