<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** The form in which a carrier hands a dialled number over. */
enum DeliveredForm: string
{
    case E164 = 'e164';
    case National = 'national';
    case WithoutPlus = 'withoutPlus';
}
