<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

/** How a number of the customer's stands with the reseller. */
final readonly class NumberSeen
{
    /**
     * @param  string  $number  in E.164
     * @param  string  $state  taken, ordered, reserved, portingIn, lent, portingOut or cancelled
     * @param  ?string  $until  a date: the last day of a reservation or a loan
     */
    public function __construct(public string $number, public string $state, public ?string $until)
    {
    }
}
