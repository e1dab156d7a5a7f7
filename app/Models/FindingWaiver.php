<?php

declare(strict_types=1);

namespace App\Models;

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
 * @property-read string $by whose it is, where it was asked for with the name
 */
final class FindingWaiver extends Row
{
    protected $table = 'finding_waivers';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['made_at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime'];
    }
}
