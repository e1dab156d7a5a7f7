<?php

declare(strict_types=1);

namespace App\Book;

use Jaunty\Core\Numbering\E164;

/** A number that this customer cannot have (again), or cannot have in service yet, with what is known of it. */
final class NumberNotFree extends \RuntimeException
{
    private function __construct(public readonly string $number, string $why)
    {
        parent::__construct(E164::parse($number)->display() . " {$why}");
    }

    public static function known(string $number, Known $known): self
    {
        return new self($number, $known->whyNotOurs());
    }
}
