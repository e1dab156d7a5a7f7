<?php

declare(strict_types=1);

namespace App\Stock;

final class CarrierTrouble extends \RuntimeException
{
    /**
     * @param  bool  $isRefusal  it said no, and did nothing; otherwise nobody knows what it did
     * @param  ?string  $at  the field of the carrier's that it said no to
     */
    public function __construct(
        public readonly string $why,
        public readonly bool $isRefusal = false,
        public readonly ?string $at = null,
    ) {
        parent::__construct("The carrier did not do this: {$why}");
    }
}
