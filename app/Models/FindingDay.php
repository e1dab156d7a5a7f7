<?php

declare(strict_types=1);

namespace App\Models;

/**
 * What stood at a customer at the end of a day, by weight.
 *
 * @property string $tenant_id
 * @property string $day
 * @property array<string, int> $counts
 */
final class FindingDay extends Row
{
    protected $table = 'finding_days';

    protected $primaryKey = 'tenant_id';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['counts' => 'array'];
    }
}
