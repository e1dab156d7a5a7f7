<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** What one key of a menu leads to, and what it is called. */
final readonly class MenuKey
{
    public function __construct(public string $key, public ?Destination $to, public ?string $label)
    {
    }
}
