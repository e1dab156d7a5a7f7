<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\Ability;

/** The technician may see this customer, but not do this. A customer they may not see is not found instead. */
final class AccessDenied extends \RuntimeException
{
    public static function lacks(Ability $wanted): self
    {
        return new self(
            "Your grant does not let you {$wanted->inWords()} this customer. Ask a lead technician for a wider one.",
        );
    }

    public static function everyCustomer(): self
    {
        return new self('Taking customers on needs a grant for every customer. Ask a lead technician for one.');
    }

    public static function leadsOnly(): self
    {
        return new self('Who may do what is for lead technicians to see and to say.');
    }

    public static function ownGrant(): self
    {
        return new self('Nobody takes away their own grant. Ask another lead technician.');
    }

    public static function ownAccount(): self
    {
        return new self('Nobody closes their own account. Ask another lead technician.');
    }

    public static function accountClosed(): self
    {
        return new self('This account is closed. Whoever it was joins anew under another sign-in.');
    }

    public static function scope(Ability $wanted): self
    {
        return new self("This token's scope does not let it {$wanted->inWords()} customers.");
    }

    public static function peopleOnly(): self
    {
        return new self('This is for people who sign in; a token cannot do it.');
    }
}
