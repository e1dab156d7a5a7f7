<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property string $tenant_id
 * @property string $id
 * @property string $port_id
 * @property 'authority'|'bill' $kind
 * @property string $name
 * @property string $type
 * @property int $size
 * @property string $digest
 * @property ?string $dated a date
 * @property ?string $disk
 * @property ?string $path
 * @property string $put_by
 * @property \Carbon\CarbonImmutable $put_at
 */
final class PortPaperRow extends Row
{
    /** All but the bytes, which are read where they are wanted. */
    public const COLUMNS = [
        'tenant_id', 'id', 'port_id', 'kind', 'name', 'type', 'size', 'digest', 'dated', 'disk', 'path', 'put_by',
        'put_at',
    ];

    protected $table = 'port_papers';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['put_at' => 'immutable_datetime'];
    }
}
