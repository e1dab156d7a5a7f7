<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property string $tenant_id
 * @property ?string $main_number
 * @property ?string $main_leads_to
 * @property int $objects
 * @property ?int $differences
 * @property ?\Carbon\CarbonImmutable $live_read_at
 * @property ?string $place
 * @property ?list<array<string, mixed>> $strip
 * @property array{blocker: int, error: int, warning: int, note: int} $findings
 * @property array{blocker: int, error: int, warning: int, note: int} $drift_findings
 * @property ?bool $callers_notice
 * @property ?string $next_on
 * @property ?string $next_what
 * @property ?string $summed_up_on
 * @property ?int $pushed_revision
 * @property ?\Carbon\CarbonImmutable $pushed_at
 */
final class TenantSummary extends Row
{
    protected $table = 'tenant_summaries';

    protected $primaryKey = 'tenant_id';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['live_read_at' => 'immutable_datetime', 'pushed_at' => 'immutable_datetime', 'strip' => 'array', 'findings' => 'array', 'drift_findings' => 'array'];
    }
}
