<?php

declare(strict_types=1);

namespace App\Settings;

/** A house begins once. */
final class HasBegun extends \RuntimeException
{
    public function __construct(string $reseller)
    {
        parent::__construct(
            "This is the house of {$reseller} already. Leads invite colleagues on the People page; who forgot their "
                . 'password has a letter sent from the sign-in page.',
        );
    }
}
