<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Auth\Authenticatable;
use Illuminate\Contracts\Auth\Authenticatable as AuthenticatableContract;

/**
 * A member of the reseller's staff: who signs in here.
 *
 * @property string $id
 * @property string $sign_in
 * @property string $name
 * @property string $initials
 * @property string $password
 * @property bool $lead
 * @property bool $digest
 * @property string $clock 24 or 12
 * @property string $days dayFirst, monthFirst or yearFirst
 * @property string $numbers comma, space or dot: what stands between thousands
 * @property ?string $totp_secret
 * @property ?\Carbon\CarbonImmutable $totp_confirmed_at
 * @property ?int $totp_last_step
 * @property ?list<string> $recovery_codes
 * @property ?\Carbon\CarbonImmutable $closed_at
 */
final class Technician extends Row implements AuthenticatableContract
{
    use Authenticatable;

    protected $table = 'technicians';

    protected $hidden = ['password', 'remember_token', 'totp_secret', 'recovery_codes'];

    public function usesSecondFactor(): bool
    {
        return $this->totp_confirmed_at !== null;
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'password' => 'hashed',
            'lead' => 'boolean',
            'digest' => 'boolean',
            'totp_secret' => 'encrypted',
            'totp_confirmed_at' => 'immutable_datetime',
            'totp_last_step' => 'integer',
            'recovery_codes' => 'array',
            'closed_at' => 'immutable_datetime',
        ];
    }
}
