<?php

declare(strict_types=1);

namespace App\Book;

use Jaunty\Core\Numbering\E164;

/** A number that this customer cannot have (again): another has it, or it left the stock. */
final class NumberNotFree extends \RuntimeException
{
    public function __construct(public readonly string $number)
    {
        parent::__construct(
            E164::parse($number)->display()
            . ' is not free: it is not in stock, or is no longer. Choose another number.',
        );
    }
}
