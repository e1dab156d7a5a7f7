<?php

declare(strict_types=1);

namespace App\Models;

/**
 * An order of numbers, written down before the carrier is asked.
 *
 * @property string $id the carrier's reference too
 * @property string $asked_by
 * @property \Carbon\CarbonImmutable $asked_at
 * @property list<string> $numbers
 * @property int $once_cents
 * @property int $monthly_cents
 * @property string $currency
 * @property OrderState $state
 * @property ?string $decided_by
 * @property ?\Carbon\CarbonImmutable $decided_at
 * @property ?string $receipt
 * @property ?list<array{what: string, count: int, onceCents: int, monthlyCents: int}> $lines
 * @property ?string $trouble
 */
final class NumberOrder extends Row
{
    protected $table = 'number_orders';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'numbers' => 'array', 'lines' => 'array', 'state' => OrderState::class, 'asked_at' => 'immutable_datetime',
            'decided_at' => 'immutable_datetime',
        ];
    }
}
