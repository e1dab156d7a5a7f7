<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\InWords;

/** The form in which a carrier hands a dialled number over. */
enum DeliveredForm: string implements InWords
{
    case E164 = 'e164';
    case National = 'national';
    case WithoutPlus = 'withoutPlus';

    public function inWords(): string
    {
        return match ($this) {
            self::E164 => 'with plus and country code',
            self::National => 'as dialled in the country',
            self::WithoutPlus => 'country code, no plus',
        };
    }
}
