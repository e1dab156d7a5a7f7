<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property string $e164
 * @property ?string $tenant_id
 * @property ?string $carrier_receipt
 * @property ?string $region
 * @property NumberState $state
 * @property \Carbon\CarbonImmutable $since
 * @property ?string $until a date
 * @property string $kind
 */
final class StockNumber extends Row
{
    protected $table = 'numbers';

    protected $primaryKey = 'e164';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['state' => NumberState::class, 'since' => 'immutable_datetime'];
    }
}
