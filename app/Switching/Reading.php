<?php

declare(strict_types=1);

namespace App\Switching;

use Jaunty\Core\Book\Book;

/** What a switch was found to hold. */
final readonly class Reading
{
    /**
     * @param  Book  $live  objects paired with the book carry its keys; others have keys made from the switch's own ids
     * @param  list<LiveEdit>  $edits  newest first, as far as the switch keeps them
     */
    public function __construct(public Book $live, public Bindings $bindings, public array $edits)
    {
    }
}
