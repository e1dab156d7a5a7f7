<?php

declare(strict_types=1);

namespace App\Places;

use App\Models\AddressAnswer;
use App\Models\AddressAsk;
use Jaunty\Core\Book\User;

/** Somebody who works elsewhere, with whether they were asked and what they said. */
final readonly class ElsewhereView
{
    /** @param ?AddressAsk $ask the last one; null where nobody asked */
    public function __construct(public User $user, public ?AddressAsk $ask, public ?AddressAnswer $answer)
    {
    }
}
