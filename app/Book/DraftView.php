<?php

declare(strict_types=1);

namespace App\Book;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Change\Clash;

/** A technician's pending edits on a customer, beside the book they start from. */
final readonly class DraftView
{
    /**
     * @param  list<Clash>  $clashes  with what others entered meanwhile
     * @param  list<Reference>  $touched  by an edit: what may be otherwise now than before it
     * @param  list<Kind>  $came  kinds of which an edit made some
     * @param  ?ChangeSet  $done  by the edit itself, from the draft before it to the draft after it
     */
    public function __construct(
        public Book $head,
        public Book $edited,
        public ChangeSet $changes,
        public array $clashes,
        public int $headRevision,
        public array $touched = [],
        public array $came = [],
        public ?ChangeSet $done = null,
    ) {
    }
}
