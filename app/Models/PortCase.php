<?php

declare(strict_types=1);

namespace App\Models;

use Jaunty\Core\Ports\PortWish;

/**
 * @property string $tenant_id
 * @property string $id
 * @property 'in'|'out' $direction
 * @property list<string> $numbers
 * @property array<string, mixed> $said
 * @property ?string $pin
 * @property PortState $state
 * @property ?string $carrier_id
 * @property string $day a date
 * @property ?string $answer_by a date
 * @property string $remark
 * @property ?string $remark_at
 * @property ?array{number: string, until: string} $lent
 * @property list<array{state: string, remark: string, at: string}> $steps
 * @property ?string $opened_by
 * @property \Carbon\CarbonImmutable $opened_at
 * @property ?\Carbon\CarbonImmutable $read_at
 */
final class PortCase extends Row
{
    protected $table = 'port_cases';

    protected $hidden = ['pin'];

    public function wish(): PortWish
    {
        $text = fn (string $of): string => is_string($this->said[$of] ?? null) ? $this->said[$of] : '';
        $staying = is_array($this->said['staying'] ?? null) ? $this->said['staying'] : [];

        return new PortWish(
            $this->numbers,
            $text('name'),
            $text('street'),
            $text('city'),
            $text('postcode'),
            $text('losingCarrier'),
            $text('account'),
            $text('billing'),
            $text('signatory'),
            $this->pin !== null,
            ($this->said['isPart'] ?? false) === true,
            array_values(array_filter($staying, is_string(...))),
            $text('stayingMain'),
            $this->day,
            $text('hours'),
        );
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'numbers' => 'array', 'said' => 'array', 'pin' => 'encrypted', 'state' => PortState::class,
            'lent' => 'array', 'steps' => 'array', 'opened_at' => 'immutable_datetime',
            'read_at' => 'immutable_datetime',
        ];
    }
}
