<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** Notes what is asked of a book, so that whoever read none of what an edit changed need not read again. */
final class Reads
{
    /** @var array<string, true> kinds read as a whole, and single objects as references */
    public array $parts = [];

    public function kind(Kind $kind): void
    {
        $this->parts[$kind->value] = true;
    }

    public function one(Reference $reference): void
    {
        $this->parts[(string) $reference] = true;
    }

    /** Something worked out from the book, under a name that no reference has. */
    public function workedOut(string $name): void
    {
        $this->parts[$name] = true;
    }
}
