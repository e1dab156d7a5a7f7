<?php

declare(strict_types=1);

namespace App\Models;

/**
 * An audit of many customers, asked for or due by night; the customers it is done with are AuditedCustomer.
 *
 * @property string $id
 * @property string $technician_id
 * @property string $reason
 * @property list<string> $tenant_ids
 * @property ?string $batch_id
 * @property int $total
 * @property int $counted
 * @property \Carbon\CarbonImmutable $begun_at
 * @property ?\Carbon\CarbonImmutable $stopped_at
 * @property ?\Carbon\CarbonImmutable $ended_at
 */
final class AuditRun extends Row
{
    protected $table = 'audit_runs';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'tenant_ids' => 'array', 'begun_at' => 'immutable_datetime', 'stopped_at' => 'immutable_datetime',
            'ended_at' => 'immutable_datetime',
        ];
    }
}
