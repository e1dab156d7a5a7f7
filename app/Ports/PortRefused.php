<?php

declare(strict_types=1);

namespace App\Ports;

use Jaunty\Core\Ports\PortLack;

/** What cannot be done with a port as it stands. */
final class PortRefused extends \RuntimeException
{
    /** @param list<PortLack> $lacks what it is not complete for */
    private function __construct(string $message, public readonly array $lacks = [])
    {
        parent::__construct($message);
    }

    /** @param non-empty-list<PortLack> $lacks */
    public static function incomplete(array $lacks): self
    {
        return new self('It is not complete, and nothing was sent.', $lacks);
    }

    public static function another(): self
    {
        return new self('This is the reference of another order. Look at the orders, and begin anew.');
    }

    public static function tooFar(string $state): self
    {
        return new self("This is not possible any more: the order is {$state} by now. Ask the carrier how far it is.");
    }

    public static function unsent(): self
    {
        return new self('The carrier does not know of this order yet. Complete it and send it first.');
    }

    public static function noPaper(): self
    {
        return new self('This is no PDF, PNG or JPEG file by what is in it. Nothing was kept.');
    }

    /** @param string $why a file cannot be kept, whatever is in it */
    public static function file(string $why): self
    {
        return new self($why);
    }

    public static function underWay(string $number): self
    {
        return new self("{$number} is in another order that is under way.");
    }
}
