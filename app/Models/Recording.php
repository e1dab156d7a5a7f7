<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One version of what a prompt sounds like.
 *
 * @property string $tenant_id
 * @property string $prompt
 * @property int $no
 * @property Origin $origin
 * @property string $sha256
 * @property string $seconds
 * @property ?string $peak_db
 * @property list<int> $waveform
 * @property string $came_as
 * @property list<string> $remarks
 * @property ?string $script
 * @property string $made_by
 * @property \Carbon\CarbonImmutable $made_at
 * @property-read Technician $maker
 */
final class Recording extends Row
{
    protected $table = 'recordings';

    /** @return BelongsTo<Technician, $this> */
    public function maker(): BelongsTo
    {
        return $this->belongsTo(Technician::class, 'made_by');
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'origin' => Origin::class, 'no' => 'integer', 'waveform' => 'array', 'remarks' => 'array',
            'made_at' => 'immutable_datetime',
        ];
    }
}
