<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Digits;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Slug;

/** Callers whose calls the customer never wants: a digit map over E.164 digits, or `withheld`. */
final readonly class BlockedCaller implements BookItem
{
    use DeclaredPart;

    private function __construct(
        #[Slug]
        public string $item,
        #[Digits([Callers::WITHHELD])]
        #[Said(help: 'A digit map of caller numbers, or `withheld`.')]
        public string $callers,
    ) {
    }

    public function item(): string
    {
        return $this->item;
    }
}
