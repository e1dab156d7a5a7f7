<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * The picture of a floor.
 *
 * @property string $tenant_id
 * @property string $id
 * @property string $site_id
 * @property string $floor its item
 * @property string $type of what is in it
 * @property int $width of the picture, in its dots
 * @property int $height of the picture, in its dots
 * @property ?string $disk
 * @property ?string $path
 * @property Technician $technician
 * @property \Carbon\CarbonImmutable $put_at
 */
final class FloorPlan extends Row
{
    /** All but the bytes, which are read where they are wanted. */
    public const COLUMNS = [
        'tenant_id', 'id', 'site_id', 'floor', 'type', 'width', 'height', 'disk', 'path', 'put_by', 'put_at',
    ];

    protected $table = 'floor_plans';

    /** @return BelongsTo<Technician, $this> */
    public function technician(): BelongsTo
    {
        return $this->belongsTo(Technician::class, 'put_by');
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['put_at' => 'immutable_datetime'];
    }
}
