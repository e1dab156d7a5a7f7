<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property string $id
 * @property string $technician_id
 * @property ?string $tenant_id unset: every customer
 * @property Ability $ability
 * @property ?string $purpose
 * @property ?\Carbon\CarbonImmutable $until
 */
final class Grant extends Row
{
    protected $table = 'grants';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['ability' => Ability::class, 'until' => 'immutable_datetime'];
    }
}
