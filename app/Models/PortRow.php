<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A port as last read from the carrier.
 *
 * @property string $tenant_id
 * @property string $id the carrier's
 * @property int $place
 * @property list<string> $numbers
 * @property string $name
 * @property string $street
 * @property string $postcode
 * @property string $losing_carrier
 * @property string $account
 * @property string $day
 * @property PortState $state
 * @property string $remark
 * @property \Carbon\CarbonImmutable $read_at
 */
final class PortRow extends Row
{
    protected $table = 'ports';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['numbers' => 'array', 'state' => PortState::class, 'read_at' => 'immutable_datetime'];
    }
}
