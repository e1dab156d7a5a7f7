<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A customer that a run is done with.
 *
 * @property string $run_id
 * @property string $tenant_id
 * @property int $findings that stand
 * @property int $milliseconds
 * @property ?string $trouble why it could not be audited
 */
final class AuditedCustomer extends Row
{
    protected $table = 'audited_customers';

    protected $primaryKey = 'run_id';
}
