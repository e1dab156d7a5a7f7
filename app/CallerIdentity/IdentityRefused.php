<?php

declare(strict_types=1);

namespace App\CallerIdentity;

use Jaunty\Core\Numbering\E164;

/** What cannot be said to the carrier as it stands. */
final class IdentityRefused extends \RuntimeException
{
    private function __construct(public readonly string $field, string $why)
    {
        parent::__construct($why);
    }

    public static function notTheirs(string $number): self
    {
        return new self('number', E164::parse($number)->display()
            . ' is not in this customer\'s book as it is entered.');
    }

    public static function nameless(): self
    {
        return new self('name', 'The book as it is entered gives this number no name. Give it one, and enter '
            . 'it first.');
    }

    public static function tooLong(int $most): self
    {
        return new self('name', "A name has {$most} characters at most: the network cuts off the rest.");
    }

    public static function ours(string $number): self
    {
        return new self('number', E164::parse($number)->display()
            . ' is a number of this customer\'s here: it may be shown as it is.');
    }

    public static function unreadable(string $why): self
    {
        return new self('number', $why);
    }

    public static function notCalled(): self
    {
        return new self('number', 'Nobody was called by this number. Have it called first.');
    }

    public static function wrongCode(): self
    {
        return new self('code', 'This is not the code that was spoken. After five tries the number is to be '
            . 'called again.');
    }

    public static function byCarrier(string $field, string $why): self
    {
        return new self($field, "The carrier says: {$why}.");
    }
}
