<?php

declare(strict_types=1);

namespace App\Stock;

use App\Models\NumberState;

/** A number of the reseller's: whose it is, how it stands, and where its calls go first. */
final readonly class StockLine
{
    private function __construct(
        public string $number,
        public ?string $region,
        public string $kind,
        public NumberState $state,
        public string $since,
        public ?string $until,
        public ?string $customer,
        public ?string $customerName,
        public ?string $label,
        public ?string $leadsTo,
        public ?string $cameWith,
        public ?int $onceCents,
        public ?int $monthlyCents,
        public ?string $currency,
    ) {
    }

    public static function of(\stdClass $row): self
    {
        $text = static fn (string $of): ?string => is_string($row->{$of}) ? $row->{$of} : null;
        $cents = static fn (string $of): ?int => is_int($row->{$of}) ? $row->{$of} : null;

        return new self(
            (string) $text('e164'),
            $text('region'),
            (string) $text('kind'),
            NumberState::from((string) $text('state')),
            (new \DateTimeImmutable((string) $text('since')))->format(\DateTimeInterface::ATOM),
            $text('until'),
            $text('customer'),
            $text('customer_name'),
            $text('label'),
            $text('leads_to'),
            $text('came_with'),
            $cents('once_cents'),
            $cents('monthly_cents'),
            $text('currency'),
        );
    }
}
