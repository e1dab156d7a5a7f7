<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property string $hardware
 * @property string $tenant_id
 * @property string $object_id
 */
final class DeviceRow extends Row
{
    protected $table = 'devices';

    protected $primaryKey = 'hardware';
}
