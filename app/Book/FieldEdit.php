<?php

declare(strict_types=1);

namespace App\Book;

use Jaunty\Core\Book\Reference;

/** One field as a technician wants it. */
final readonly class FieldEdit
{
    public function __construct(public Reference $object, public string $path, public mixed $value)
    {
    }
}
