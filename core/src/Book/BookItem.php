<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** A part that stands in a list, named by an item that no other has. */
interface BookItem extends BookPart
{
    public static function read(Node $node): self;

    public function item(): string;
}
