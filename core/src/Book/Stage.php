<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\InWords;

/** How far a customer has come (design 01, stages). */
enum Stage: string implements InWords
{
    case Draft = 'draft';
    case Building = 'building';
    case Testing = 'testing';
    case InService = 'in-service';
    case Suspended = 'suspended';
    case Leaving = 'leaving';
    case Archived = 'archived';

    public function inWords(): string
    {
        return str_replace('-', ' ', $this->value);
    }
}
