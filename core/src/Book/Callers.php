<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** Which callers something is for: a digit map over E.164 digits, or a word. */
final class Callers
{
    public const WITHHELD = 'withheld';

    public const ANYONE = 'anyone';
}
