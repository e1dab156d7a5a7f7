<?php

declare(strict_types=1);

namespace App\Models;

/** The line that the Roster shows of a customer; written by SummaryKeeper, and read by the Roster as it lies. */
final class TenantSummary extends Row
{
    protected $table = 'tenant_summaries';

    protected $primaryKey = 'tenant_id';
}
