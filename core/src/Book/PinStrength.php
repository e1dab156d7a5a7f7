<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** All a book ever says of a PIN; the PIN itself is a secret and stands in no book. */
enum PinStrength: string
{
    case Set = 'set';
    case Weak = 'weak';
    case None = 'none';
}
