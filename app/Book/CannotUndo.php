<?php

declare(strict_types=1);

namespace App\Book;

final class CannotUndo extends \RuntimeException
{
    public static function unknown(int $no): self
    {
        return new self("There is no revision {$no}.");
    }

    public static function takingOn(): self
    {
        return new self('Revision 1 took the customer on and cannot be undone; a customer leaves by being archived.');
    }
}
