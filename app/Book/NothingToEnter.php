<?php

declare(strict_types=1);

namespace App\Book;

final class NothingToEnter extends \RuntimeException
{
    public function __construct()
    {
        parent::__construct('There is nothing to enter: the book already says this.');
    }
}
