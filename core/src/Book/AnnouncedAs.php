<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** What a dated exception is taken for outside its own hours. */
enum AnnouncedAs: string
{
    case Closed = 'closed';
    case Holiday = 'holiday';
    case Open = 'open';
}
