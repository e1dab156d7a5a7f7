<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A threshold that the reseller set for every customer.
 *
 * @property string $name
 * @property int $value
 */
final class ThresholdRow extends Row
{
    protected $table = 'thresholds';

    protected $primaryKey = 'name';
}
