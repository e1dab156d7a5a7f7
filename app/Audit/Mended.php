<?php

declare(strict_types=1);

namespace App\Audit;

use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Change\Operation;

/** What mending some findings of a customer changes, or changed. */
final readonly class Mended
{
    /**
     * @param  list<Operation>  $changes
     * @param  list<Finding>  $left  of those that were to be mended
     * @param  list<Finding>  $brings  that were not there before
     * @param  ?int  $revision  it was entered as; null where it was only looked at, or nothing was to be changed
     */
    public function __construct(
        public Book $book,
        public array $changes,
        public array $left,
        public array $brings,
        public bool $callersNotice,
        public ?int $revision,
    ) {
    }
}
