<?php

declare(strict_types=1);

namespace App\Models;

use Jaunty\Core\Audit\OwnAddressSeen;

/**
 * Where somebody said they work.
 *
 * @property string $tenant_id
 * @property string $ask_id
 * @property string $user_id
 * @property array{street: string, unit: string, city: string, subdivision: string, postcode: string,
 *     country: string} $address
 * @property \Carbon\CarbonImmutable $made_at
 */
final class AddressAnswer extends Row
{
    protected $table = 'address_answers';

    public function seen(): OwnAddressSeen
    {
        return new OwnAddressSeen($this->user_id, $this->made_at->format('Y-m-d'), $this->address);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['address' => 'array', 'made_at' => 'immutable_datetime'];
    }
}
