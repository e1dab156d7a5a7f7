<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property string $id
 * @property string $technician_id
 * @property ?string $tenant_id unset: every customer
 * @property Ability $ability
 * @property ?string $purpose
 * @property ?\Carbon\CarbonImmutable $starts_at unset: at once
 * @property ?\Carbon\CarbonImmutable $until
 * @property bool $in_emergency
 */
final class Grant extends Row
{
    protected $table = 'grants';

    public function holds(\DateTimeImmutable $now): bool
    {
        return ($this->starts_at === null || $this->starts_at <= $now)
            && ($this->until === null || $this->until > $now);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'ability' => Ability::class, 'starts_at' => 'immutable_datetime', 'until' => 'immutable_datetime',
            'in_emergency' => 'boolean',
        ];
    }
}
