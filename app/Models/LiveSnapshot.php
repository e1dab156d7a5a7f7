<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property string $tenant_id
 * @property string $id
 * @property string $connector
 * @property array<string, mixed> $book
 * @property list<array{object: string, field: string, at: string, by: string}> $edits
 * @property ?string $mark
 * @property \Carbon\CarbonImmutable $read_at
 */
final class LiveSnapshot extends Row
{
    protected $table = 'live_snapshots';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['book' => 'array', 'edits' => 'array', 'read_at' => 'immutable_datetime'];
    }
}
