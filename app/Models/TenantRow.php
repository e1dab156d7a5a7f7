<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property string $id
 * @property string $key
 * @property string $name
 * @property string $stage
 * @property ?string $region
 * @property string $zone
 * @property int $head_revision
 * @property ?string $looked_after_by
 * @property string $connector of the switch it is on (App\Switching\Switches)
 */
final class TenantRow extends Row
{
    protected $table = 'tenants';
}
