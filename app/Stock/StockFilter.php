<?php

declare(strict_types=1);

namespace App\Stock;

use App\Models\NumberState;

/** Which of the reseller's numbers are shown. */
final readonly class StockFilter
{
    /**
     * @param  string  $words  digits of the number, or words of its label or its customer's name
     * @param  ?string  $after  the last number of the page before
     */
    public function __construct(
        public ?NumberState $state = null,
        public string $words = '',
        public ?string $after = null,
        public int $most = 100,
    ) {
    }
}
