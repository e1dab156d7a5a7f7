<?php

declare(strict_types=1);

namespace App\Models;

use Jaunty\Core\Calls\Law\Outcome;

/**
 * A call that was made, as last read from the switch.
 *
 * @property string $tenant_id
 * @property int $serial
 * @property \Carbon\CarbonImmutable $at
 * @property ?string $caller
 * @property string $called
 * @property Outcome $outcome
 * @property ?string $target
 * @property list<string> $groups
 * @property list<string> $rang
 * @property int $waited
 * @property int $talked
 * @property string $came_as
 */
final class CallRow extends Row
{
    protected $table = 'call_records';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'immutable_datetime', 'outcome' => Outcome::class, 'groups' => 'array', 'rang' => 'array'];
    }
}
