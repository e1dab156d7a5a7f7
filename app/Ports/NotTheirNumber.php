<?php

declare(strict_types=1);

namespace App\Ports;

/** A port is asked for of a number that is not in the customer's book. */
final class NotTheirNumber extends \RuntimeException
{
    /** @param int $place of it among those asked for */
    public function __construct(public readonly string $number, public readonly int $place)
    {
        parent::__construct("{$number} is not in this customer's book. Enter it there first, as porting in.");
    }
}
