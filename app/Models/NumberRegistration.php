<?php

declare(strict_types=1);

namespace App\Models;

/**
 * What the network is told of a number.
 *
 * @property string $tenant_id
 * @property string $number
 * @property 'name'|'texting' $kind
 * @property array<string, string> $said
 * @property RegistrationState $state
 * @property string $remark
 * @property string $filed_by
 * @property \Carbon\CarbonImmutable $filed_at
 * @property \Carbon\CarbonImmutable $read_at
 */
final class NumberRegistration extends Row
{
    protected $table = 'number_registrations';

    protected $primaryKey = 'number';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'said' => 'array', 'state' => RegistrationState::class, 'filed_at' => 'immutable_datetime',
            'read_at' => 'immutable_datetime',
        ];
    }
}
