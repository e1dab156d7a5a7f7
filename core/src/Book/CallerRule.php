<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Digits;
use Jaunty\Core\Book\Fields\LeadsTo;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Slug;

/** Callers of one number who go somewhere of their own: a digit map over E.164 digits, `withheld` or `anyone`. */
final readonly class CallerRule implements BookItem
{
    use DeclaredPart;

    private function __construct(
        #[Slug]
        public string $item,
        #[Digits([Callers::WITHHELD, Callers::ANYONE])]
        #[Said(help: 'A digit map of caller numbers, `withheld` or `anyone`.')]
        public string $callers,
        #[LeadsTo]
        public ?Destination $then,
    ) {
    }

    public function item(): string
    {
        return $this->item;
    }
}
