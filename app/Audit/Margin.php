<?php

declare(strict_types=1);

namespace App\Audit;

use Jaunty\Core\Book\Book;

/** What the desk says beside the sheet. */
final readonly class Margin
{
    /** @param int $now seconds since 1970 */
    public function __construct(public Book $book, public Sifted $sifted, public int $now)
    {
    }
}
