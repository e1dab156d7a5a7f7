<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A test call for help.
 *
 * @property string $tenant_id
 * @property string $id
 * @property string $site_id
 * @property \Carbon\CarbonImmutable $tested_at
 * @property ?string $caller a user, as a reference
 * @property ?string $number_shown in E.164
 * @property ?string $address_read
 * @property bool $passed
 * @property string $note
 * @property ?array{address: array<string, string>, callback: ?string, telephones: list<string>} $basis
 * @property ?Technician $technician
 * @property \Carbon\CarbonImmutable $made_at
 */
final class EmergencyTest extends Row
{
    protected $table = 'emergency_tests';

    /** @return BelongsTo<Technician, $this> */
    public function technician(): BelongsTo
    {
        return $this->belongsTo(Technician::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['basis' => 'array', 'tested_at' => 'immutable_datetime', 'made_at' => 'immutable_datetime'];
    }
}
