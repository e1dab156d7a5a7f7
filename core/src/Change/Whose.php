<?php

declare(strict_types=1);

namespace Jaunty\Core\Change;

/** On which side something was changed since book and live last agreed on it. */
enum Whose: string
{
    /** In the book: not pushed yet. */
    case Ours = 'ours';
    /** On the switch. */
    case Theirs = 'theirs';
    case Both = 'both';
}
