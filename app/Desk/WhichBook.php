<?php

declare(strict_types=1);

namespace App\Desk;

/**
 * Of the books that stand side by side, the one that is asked: with the pending edits, as entered, or as the switch was
 * read.
 */
enum WhichBook: string
{
    case Edited = 'edited';
    case Entered = 'book';
    case Live = 'live';
}
