<?php

declare(strict_types=1);

namespace App\Security;

/** The code opens nothing: taken, taken back, run out or never sent; which of them is told to nobody. */
final class InvitationClosed extends \RuntimeException
{
    public function __construct()
    {
        parent::__construct('This invitation is not open any more. Ask whoever sent it for another.');
    }
}
