<?php

declare(strict_types=1);

namespace App\Book;

use Jaunty\Core\Book\Book;

/** Who has to know of every revision once it is written, in the same transaction: audits and the Roster's lines. */
interface AfterRevision
{
    public function bookChanged(string $tenantId, Book $book): void;
}
