<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** A reference and the field (slash-separated path, items by their key) that makes it. */
final readonly class Link
{
    public function __construct(public string $path, public Reference $to)
    {
    }
}
