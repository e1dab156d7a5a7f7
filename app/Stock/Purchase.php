<?php

declare(strict_types=1);

namespace App\Stock;

/** An order as the carrier holds it. */
final readonly class Purchase
{
    /**
     * @param  list<string>  $numbers  in E.164
     * @param  list<string>  $waiting  those of them that are not ours to use yet
     * @param  list<array{what: string, count: int, onceCents: int, monthlyCents: int}>  $lines
     * @param  array<string, array{int, int}>  $prices  by number: cents once and a month
     */
    public function __construct(
        public array $numbers,
        public array $waiting,
        public string $receipt,
        public array $lines,
        public string $currency,
        public array $prices,
    ) {
    }
}
