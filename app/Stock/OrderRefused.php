<?php

declare(strict_types=1);

namespace App\Stock;

use Jaunty\Core\Numbering\E164;

/** What cannot be done with an order any more, or by whoever asks. */
final class OrderRefused extends \RuntimeException
{
    public static function another(): self
    {
        return new self('This is the reference of another order. Look at the orders below, and order anew.');
    }

    public static function decided(): self
    {
        return new self('This order is decided already. Look at it again.');
    }

    public static function notLoose(string $number): self
    {
        return new self(E164::parse($number)->display() . ' is a customer\'s, or not ours. Nothing was given back.');
    }

    public static function gone(string $number): self
    {
        return new self(E164::parse($number)->display() . ' is not free at the carrier any more. Look again.');
    }

    public static function forLeads(string $limit): self
    {
        return new self("An order of more than {$limit} is confirmed by a lead technician.");
    }
}
