<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A finding as it was last seen at a customer; written by FindingStore, and read for lists over all of them.
 *
 * @property string $tenant_id
 * @property string $fingerprint
 * @property string $rule
 * @property bool $waived
 */
final class FindingRow extends Row
{
    protected $table = 'findings';

    protected $primaryKey = 'fingerprint';
}
