<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property string $tenant_id
 * @property string $object_id
 * @property string $connector
 * @property string $external_id
 * @property ?string $version
 */
final class Binding extends Row
{
    protected $table = 'bindings';

    protected $primaryKey = 'object_id';
}
