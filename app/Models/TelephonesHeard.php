<?php

declare(strict_types=1);

namespace App\Models;

/**
 * Telephones of a customer as the switch last heard of each.
 *
 * @property string $tenant_id
 * @property ?\Carbon\CarbonImmutable $read_at
 * @property ?array<string, array{since: ?int, lost: ?int, refused: ?int, firmware: ?string, address: ?string,
 *     isCurrent: bool}> $heard by the id of the object; null where the switch cannot tell
 */
final class TelephonesHeard extends Row
{
    protected $table = 'telephones_heard';

    protected $primaryKey = 'tenant_id';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['heard' => 'array', 'read_at' => 'immutable_datetime'];
    }
}
