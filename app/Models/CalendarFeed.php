<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * The address at which a calendar program reads what is to come.
 *
 * @property string $technician_id
 * @property string $code_hash
 * @property \Carbon\CarbonImmutable $made_at
 * @property ?\Carbon\CarbonImmutable $read_at
 * @property Technician $technician
 */
final class CalendarFeed extends Row
{
    protected $table = 'calendar_feeds';

    protected $primaryKey = 'technician_id';

    /** @return BelongsTo<Technician, $this> */
    public function technician(): BelongsTo
    {
        return $this->belongsTo(Technician::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['made_at' => 'immutable_datetime', 'read_at' => 'immutable_datetime'];
    }
}
