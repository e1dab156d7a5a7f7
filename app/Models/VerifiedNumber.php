<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A number of another carrier's that was called with a code.
 *
 * @property string $tenant_id
 * @property string $number
 * @property \Carbon\CarbonImmutable $called_at
 * @property string $called_by
 * @property ?\Carbon\CarbonImmutable $verified_at
 * @property ?string $verified_by
 */
final class VerifiedNumber extends Row
{
    protected $table = 'verified_numbers';

    protected $primaryKey = 'number';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['called_at' => 'immutable_datetime', 'verified_at' => 'immutable_datetime'];
    }
}
