<?php

declare(strict_types=1);

namespace App\Stock;

/** Numbers that are to come over, with what the losing carrier compares: as the customer's latest bill says it. */
final readonly class PortRequest
{
    /**
     * @param  list<string>  $numbers  in E.164
     * @param  string  $name  whom the bill is for
     * @param  string  $day  a date: asked for, then the one it is on
     */
    public function __construct(
        public array $numbers,
        public string $name,
        public string $street,
        public string $postcode,
        public string $losingCarrier,
        public string $account,
        public string $day,
    ) {
    }
}
