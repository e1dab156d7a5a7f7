<?php

declare(strict_types=1);

namespace App\Models;

/**
 * Somebody who was asked by letter where they work.
 *
 * @property string $tenant_id
 * @property string $id
 * @property string $user_id
 * @property string $name
 * @property string $customer
 * @property ?string $region
 * @property ?string $told
 * @property string $code_hash
 * @property string $sent_to
 * @property string $language
 * @property string $asked_by
 * @property \Carbon\CarbonImmutable $asked_at
 * @property \Carbon\CarbonImmutable $open_until
 * @property ?\Carbon\CarbonImmutable $taken_back_at
 */
final class AddressAsk extends Row
{
    protected $table = 'address_asks';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'asked_at' => 'immutable_datetime', 'open_until' => 'immutable_datetime',
            'taken_back_at' => 'immutable_datetime',
        ];
    }
}
