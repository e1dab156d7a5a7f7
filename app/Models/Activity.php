<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property ?string $technician_id
 * @property ?string $tenant_id
 * @property string $what
 * @property array<string, mixed> $detail
 */
final class Activity extends Row
{
    protected $table = 'activity';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['detail' => 'array'];
    }
}
