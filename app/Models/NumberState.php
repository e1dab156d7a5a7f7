<?php

declare(strict_types=1);

namespace App\Models;

/** How a number stands with the reseller. Which follows on which is the database's to say. */
enum NumberState: string
{
    case Free = 'free';
    case Taken = 'taken';
    case Ordered = 'ordered';
    case Reserved = 'reserved';
    case PortingIn = 'portingIn';
    case Lent = 'lent';
    case Resting = 'resting';
    case PortingOut = 'portingOut';
    case Cancelled = 'cancelled';

    /**
     * What can be done with one on the stock page: `give` it to a customer, `order` it, `return` it to the carrier, end
     * its `rest`.
     *
     * @return list<string>
     */
    public function allows(bool $isSomebodys): array
    {
        return $isSomebodys ? [] : match ($this) {
            self::Free => ['give', 'return'],
            self::Ordered => ['give'],
            self::Reserved => ['give', 'order', 'return'],
            self::Resting => ['rest', 'return'],
            self::Lent => ['return'],
            self::Taken, self::PortingIn, self::PortingOut, self::Cancelled => [],
        };
    }
}
