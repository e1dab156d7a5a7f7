<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** Who signs members of a hunt group in and out. */
enum SignInBy: string
{
    case Member = 'member';
    case Administrator = 'administrator';
}
