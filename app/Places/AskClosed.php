<?php

declare(strict_types=1);

namespace App\Places;

/** The code opens nothing: answered, taken back, run out or never sent; which of them is told to nobody. */
final class AskClosed extends \RuntimeException
{
    public function __construct()
    {
        parent::__construct('This letter is not open any more. Ask whoever sent it for another.');
    }
}
