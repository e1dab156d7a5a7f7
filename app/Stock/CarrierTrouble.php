<?php

declare(strict_types=1);

namespace App\Stock;

final class CarrierTrouble extends \RuntimeException
{
    public function __construct(string $why)
    {
        parent::__construct("The carrier did not do this: {$why}");
    }
}
