<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What the carrier said of a site's address.
 *
 * @property string $tenant_id
 * @property string $id
 * @property string $site_id
 * @property array<string, string> $address
 * @property string $verdict
 * @property ?array<string, string> $better
 * @property string $remark
 * @property ?Technician $technician
 * @property \Carbon\CarbonImmutable $made_at
 */
final class AddressCheck extends Row
{
    protected $table = 'address_checks';

    /** @return BelongsTo<Technician, $this> */
    public function technician(): BelongsTo
    {
        return $this->belongsTo(Technician::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['address' => 'array', 'better' => 'array', 'made_at' => 'immutable_datetime'];
    }
}
