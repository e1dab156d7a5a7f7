<?php

declare(strict_types=1);

namespace App\Book;

/** What cannot be waived, in words for the person who tried. */
final class CannotWaive extends \DomainException
{
    public static function nothingThere(): self
    {
        return new self('Book and switch do not differ there, as last read. Read again, and look.');
    }

    public static function findingGone(): self
    {
        return new self('That finding does not stand any more: it was mended, changed, or waived already.');
    }

    public static function missing(): self
    {
        return new self('What is missing on the switch cannot be waived: put it back, or take it out of the book.');
    }

    public static function past(): self
    {
        return new self('That day is over already; choose one to come, or none.');
    }
}
