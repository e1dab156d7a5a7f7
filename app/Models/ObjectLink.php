<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property string $tenant_id
 * @property string $from_id
 * @property string $path
 * @property string $to_id
 */
final class ObjectLink extends Row
{
    protected $table = 'object_links';

    protected $primaryKey = 'from_id';
}
