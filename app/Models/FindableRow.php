<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property string $tenant_id
 * @property string $object_id
 * @property string $kind
 * @property string $key
 * @property string $label
 * @property ?string $extension
 * @property ?string $digits
 * @property ?string $national
 * @property string $words
 */
final class FindableRow extends Row
{
    protected $table = 'findables';

    protected $primaryKey = 'object_id';
}
