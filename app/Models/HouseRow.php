<?php

declare(strict_types=1);

namespace App\Models;

/**
 * The one row of the house itself.
 *
 * @property array<string, mixed> $settings
 * @property ?array<string, string> $secrets tokens by connection
 * @property ?\Carbon\CarbonImmutable $begun_at
 * @property \Carbon\CarbonImmutable $changed_at
 * @property ?string $changed_by
 */
final class HouseRow extends Row
{
    protected $table = 'house';

    protected $primaryKey = 'only_one';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'settings' => 'array', 'secrets' => 'encrypted:array', 'begun_at' => 'immutable_datetime',
            'changed_at' => 'immutable_datetime',
        ];
    }
}
