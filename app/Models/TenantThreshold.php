<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A threshold that is set otherwise for one customer.
 *
 * @property string $tenant_id
 * @property string $name
 * @property int $value
 */
final class TenantThreshold extends Row
{
    protected $table = 'tenant_thresholds';

    protected $primaryKey = 'name';
}
