<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property string $e164
 * @property ?string $tenant_id
 * @property ?string $carrier_receipt
 * @property ?string $region
 */
final class StockNumber extends Row
{
    protected $table = 'numbers';

    protected $primaryKey = 'e164';
}
