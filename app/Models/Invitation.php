<?php

declare(strict_types=1);

namespace App\Models;

/**
 * Asks somebody who is not of the staff yet to join; the grant is theirs once they do.
 *
 * @property string $id
 * @property string $sign_in
 * @property ?string $tenant_id unset: every customer
 * @property ?string $customer its name, as the letter says it
 * @property Ability $ability
 * @property ?string $purpose
 * @property ?\Carbon\CarbonImmutable $grant_until
 * @property string $code_hash
 * @property ?\Carbon\CarbonImmutable $grant_from
 * @property string $invited_by
 * @property \Carbon\CarbonImmutable $sent_at
 * @property \Carbon\CarbonImmutable $open_until
 * @property ?\Carbon\CarbonImmutable $accepted_at
 */
final class Invitation extends Row
{
    protected $table = 'invitations';

    protected $hidden = ['code_hash'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'ability' => Ability::class, 'grant_from' => 'immutable_datetime', 'grant_until' => 'immutable_datetime',
            'sent_at' => 'immutable_datetime',
            'open_until' => 'immutable_datetime', 'accepted_at' => 'immutable_datetime',
        ];
    }
}
