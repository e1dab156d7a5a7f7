<?php

declare(strict_types=1);

namespace App\Stock;

/** A number that the carrier has free, with its price. */
final readonly class Offer
{
    /**
     * @param  string  $number  in E.164
     * @param  ?string  $run  the first of those in a row that it was found in
     */
    public function __construct(
        public string $number,
        public string $town,
        public bool $isTollFree,
        public int $onceCents,
        public int $monthlyCents,
        public string $currency,
        public ?string $run,
    ) {
    }
}
