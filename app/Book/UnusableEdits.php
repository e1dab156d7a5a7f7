<?php

declare(strict_types=1);

namespace App\Book;

use Jaunty\Core\Book\UnusableBook;

/** Several edits of some cannot stand in the book: all of them are told at once. */
final class UnusableEdits extends \RuntimeException
{
    /** @param non-empty-list<UnusableBook> $faults */
    public function __construct(public readonly array $faults)
    {
        parent::__construct($faults[0]->getMessage());
    }
}
