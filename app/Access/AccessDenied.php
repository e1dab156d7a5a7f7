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

    /** @param string $ability of App\House\Settings::ABILITIES */
    public static function factorFor(string $ability): self
    {
        $what = Ability::tryFrom($ability)?->inWords();

        return new self(
            'Here a second factor is required to '
                . ($what === null ? 'do what leads do' : "{$what} customers")
                . ', and yours is off. Switch it on under Second factor, then go on.',
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

    public static function settingsForLeads(): self
    {
        return new self('What holds for the whole house is for lead technicians to see and to settle.');
    }

    public static function stock(): self
    {
        return new self('Numbers are ordered and put into stock by whoever takes customers on. Ask a lead technician.');
    }

    public static function ordering(): self
    {
        return new self('What costs is ordered by leads and by whoever has the grant of a biller for every customer.');
    }

    public static function ownGrant(): self
    {
        return new self('Nobody takes away their own grant. Ask another lead technician.');
    }

    public static function ownAccount(): self
    {
        return new self('Nobody closes their own account. Ask another lead technician.');
    }

    public static function lastLead(): self
    {
        return new self('Nobody would be left who leads. Make somebody else a lead first.');
    }

    public static function ownFactor(): self
    {
        return new self('Your own second factor is switched off under Second factor, with your password.');
    }

    public static function ownHeir(): self
    {
        return new self('What somebody leaves behind goes to somebody else.');
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
